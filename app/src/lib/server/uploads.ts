import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import busboy from 'busboy';
import { Complaint } from '@even-page/core/complaint';
import { object, string } from 'yup';
import { storable } from '@even-page/core/language/storable';
import { bodyOf } from './answers.ts';
import { fetchAddress } from './fetch-address.ts';
import { MOST_BYTES, tooLarge } from '$lib/limits.ts';
import type { Material } from './bring-in.ts';

const NOT_WHOLE = 'The files did not arrive whole. Nothing was changed; try again.';

/** The files of a form's field, whole; none without a form. Throws a Complaint when one is too large or did not arrive. */
export async function filesOf(request: Request, field: string): Promise<Material[]> {
  if (!request.body) return [];
  const files: { name: string; parts: Buffer[]; isCut: boolean }[] = [];
  try {
    // Part by part as it arrives: a large form taken in one piece keeps everybody waiting.
    const form = busboy({
      headers: Object.fromEntries(request.headers),
      preservePath: true,
      defParamCharset: 'utf8',
      limits: { fileSize: MOST_BYTES + 1 },
    });
    form.on('file', (of, stream, { filename }) => {
      const file = { name: storable(unescaped(filename ?? '')), parts: [] as Buffer[], isCut: false };
      if (of === field) files.push(file);
      // A file that breaks off breaks the form too, which says so.
      stream
        .on('data', (part: Buffer) => file.parts.push(part))
        .on('limit', () => (file.isCut = true))
        .on('error', () => {});
    });
    await pipeline(Readable.fromWeb(request.body as ReadableStream), form);
  } catch (cause) {
    // A body that is too large keeps its own answer; anything else is no form.
    if ((cause as { status?: number }).status === 413) throw cause;
    throw new Complaint(NOT_WHOLE);
  }
  if (!files.length && !isEmptyForm(request)) throw new Complaint(NOT_WHOLE);
  const large = files.find((file) => file.isCut);
  if (large) throw new Complaint(tooLarge(large.name));
  return files.map(({ name, parts }) => ({ name, bytes: Buffer.concat(parts) }));
}

/** Whether a form has no part: it is shorter than its own type. A part that cannot be read is left out without a word. */
const isEmptyForm = ({ headers }: Request): boolean =>
  Number(headers.get('content-length') ?? Infinity) < (headers.get('content-type') ?? '').length;

/** A file's name without the escapes of a form (HTML Standard, multipart/form-data encoding). */
const unescaped = (name: string) => name.replace(/%(0A|0D|22)/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)));

const addressSchema = object({ address: string().trim().required('Name the web address to fetch.').max(2000) });

/** The material of a request: the files of a form, where pasted words are files without a name; or a web address to fetch. */
export async function materialsOf(request: Request): Promise<Material[]> {
  if (isJson(request)) return [await fetchAddress((await bodyOf(request, addressSchema)).address)];
  const files = await filesOf(request, 'material');
  return files.map((f) => (/^pasted(?:\.html)?$/.test(f.name) ? { ...f, name: '' } : f));
}

/** Whether a request carries JSON, as opposed to a form with files. */
export const isJson = (request: Request): boolean => /^application\/json\b/.test(request.headers.get('content-type') ?? '');
