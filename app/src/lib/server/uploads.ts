import { Complaint } from '@even-page/core/complaint';
import { object, string } from 'yup';
import { storable } from '@even-page/core/language/storable';
import { bodyOf } from './answers.ts';
import { fetchAddress } from './fetch-address.ts';
import { MOST_BYTES, tooLarge } from '$lib/limits.ts';
import type { Material } from './bring-in.ts';

/** The files of a form's field, whole. Throws a Complaint when one is too large. */
export async function filesOf(request: Request, field: string): Promise<Material[]> {
  const form = await request.formData().catch((cause: unknown) => {
    // A body that is too large keeps its own answer; anything else is no form.
    if ((cause as { status?: number }).status === 413) throw cause;
    throw new Complaint('The files did not arrive whole. Nothing was changed; try again.');
  });
  const files = form.getAll(field).filter((f): f is File => f instanceof File);
  return Promise.all(
    files.map(async (file) => {
      if (file.size > MOST_BYTES) throw new Complaint(tooLarge(file.name));
      return { name: storable(file.name), bytes: new Uint8Array(await file.arrayBuffer()) };
    }),
  );
}

const addressSchema = object({ address: string().trim().required('Name the web address to fetch.').max(2000) });

/** The material of a request: the files of a form, where pasted words are files without a name; or a web address to fetch. */
export async function materialsOf(request: Request): Promise<Material[]> {
  if (isJson(request)) return [await fetchAddress((await bodyOf(request, addressSchema)).address)];
  const files = await filesOf(request, 'material');
  return files.map((f) => (/^pasted(?:\.html)?$/.test(f.name) ? { ...f, name: '' } : f));
}

/** Whether a request carries JSON, as opposed to a form with files. */
export const isJson = (request: Request): boolean => /^application\/json\b/.test(request.headers.get('content-type') ?? '');
