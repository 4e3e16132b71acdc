import { Complaint } from '@even-page/core/complaint';
import type { Material } from './pieces.ts';

const MOST_BYTES = 25 * 1024 * 1024;

/** The files of a form's field, whole. Throws a Complaint when one is too large. */
export async function filesOf(request: Request, field: string): Promise<Material[]> {
  const form = await request.formData();
  const files = form.getAll(field).filter((f): f is File => f instanceof File);
  return Promise.all(
    files.map(async (file) => {
      if (file.size > MOST_BYTES) throw new Complaint(`${file.name} is larger than 25 MB: bring in its captions or its words instead.`);
      return { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
    }),
  );
}

/** The material of a form: its files; pasted words come as a file without a name. */
export async function materialsOf(request: Request): Promise<Material[]> {
  const files = await filesOf(request, 'material');
  return files.map((f) => (f.name === 'pasted' ? { ...f, name: '' } : f));
}
