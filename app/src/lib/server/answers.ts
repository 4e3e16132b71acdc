import { error, json } from '@sveltejs/kit';
import { Complaint } from '@even-page/core/complaint';
import { parseStorable, storable } from '@even-page/core/language/storable';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';

// More than any form sends; what may be larger says so.
const MOST_BODY = 1024 * 1024;

/**
 * Reads a JSON body through a schema; answers 400 with the schema's own sentence when it does not fit, and 413 when it is
 * longer than `most` bytes.
 */
export async function bodyOf<S extends AnyObjectSchema>(request: Request, schema: S, most = MOST_BODY): Promise<InferType<S>> {
  const text = await textOf(request, most);
  let body: unknown;
  try {
    body = parseStorable(text);
  } catch {
    error(400, 'The request did not arrive whole. Nothing was changed; try again.');
  }
  return fitting(body, schema);
}

async function textOf(request: Request, most: number): Promise<string> {
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const part of (request.body ?? []) as AsyncIterable<Uint8Array>) {
      size += part.length;
      // What is too long is read to its end all the same: whoever is still sending hears no answer.
      if (size <= most) parts.push(part);
    }
  } catch (cause) {
    // The server's own limit for all requests.
    if ((cause as { status?: number }).status === 413) size = Infinity;
    else error(400, 'The request did not arrive whole. Nothing was changed; try again.');
  }
  if (size > most)
    error(413, `This is more than the server takes at once here (${Math.floor(most / 1024 / 1024)} MB). Nothing was changed.`);
  return Buffer.concat(parts).toString('utf8');
}

/** Reads the query of an address through a schema; answers 400 like `bodyOf`. */
export function queryOf<S extends AnyObjectSchema>(url: URL, schema: S): Promise<InferType<S>> {
  const said = Array.from(url.searchParams, ([name, value]) => [name, storable(value)] as const);
  // Names a schema does not know are left out here: some, like "constructor", every object has.
  return fitting(Object.fromEntries(said.filter(([name]) => Object.hasOwn(schema.fields, name))), schema);
}

async function fitting<S extends AnyObjectSchema>(value: unknown, schema: S): Promise<InferType<S>> {
  try {
    return await schema.validate(value, { stripUnknown: true });
  } catch (cause) {
    if (cause instanceof ValidationError) error(400, cause.errors[0] ?? 'Something in the request does not fit.');
    throw cause;
  }
}

/**
 * Runs a route's work: what a writer should hear becomes an answer of status 422 with that one sentence, a full
 * disk one of status 507.
 */
export async function answer(work: () => Promise<object>): Promise<Response> {
  try {
    const result = await work();
    return result instanceof Response ? result : json(result);
  } catch (cause) {
    if (cause instanceof Complaint) return json({ message: cause.message }, { status: 422 });
    if (isDiskFull(cause)) return json({ message: DISK_FULL }, { status: 507 });
    throw cause;
  }
}

const DISK_FULL =
  'The disk of the server is full, so nothing can be saved there. What was saved before is safe; make room, then try again.';

// ENOSPC and EDQUOT come from the file system, 53100 (disk_full) from PostgreSQL; others wrap them.
function isDiskFull(cause: unknown): boolean {
  const { code, cause: inner } = (cause ?? {}) as { code?: unknown; cause?: unknown };
  return code === 'ENOSPC' || code === 'EDQUOT' || code === '53100' || (inner !== undefined && isDiskFull(inner));
}
