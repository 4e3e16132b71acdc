import { error, json } from '@sveltejs/kit';
import { Complaint } from '@even-page/core/complaint';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';

/** Reads a JSON body through a schema; answers 400 with the schema's own sentence when it does not fit. */
export async function bodyOf<S extends AnyObjectSchema>(request: Request, schema: S): Promise<InferType<S>> {
  let body: unknown;
  try {
    body = parse(await request.text());
  } catch {
    error(400, 'The request did not arrive whole. Nothing was changed; try again.');
  }
  return fitting(body, schema);
}

/** Reads the query of an address through a schema; answers 400 like `bodyOf`. */
export function queryOf<S extends AnyObjectSchema>(url: URL, schema: S): Promise<InferType<S>> {
  return fitting(Object.fromEntries(Array.from(url.searchParams, ([name, value]) => [name, storable(value)])), schema);
}

/** Text as a database can keep it: without NUL, and without halves of letters. */
export const storable = (text: string): string => text.replaceAll('\0', '').toWellFormed();

function parse(text: string): unknown {
  // Nearly no body holds such a letter, and then there is nothing to look through.
  const isOdd = /\\u(?:0000|d[89a-f])/i.test(text) || !text.isWellFormed();
  return JSON.parse(text, isOdd ? (_, value: unknown) => (typeof value === 'string' ? storable(value) : value) : undefined);
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
