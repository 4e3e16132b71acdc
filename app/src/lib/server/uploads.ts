import { Complaint } from '@even-page/core/complaint';
import { storable } from './answers.ts';
import { MOST_BYTES, tooLarge } from '$lib/limits.ts';
import type { Material } from './pieces.ts';

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

/** The material of a form: its files; pasted words come as a file without a name. */
export async function materialsOf(request: Request): Promise<Material[]> {
  const files = await filesOf(request, 'material');
  return files.map((f) => (f.name === 'pasted' ? { ...f, name: '' } : f));
}
