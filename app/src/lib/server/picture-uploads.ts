import { readFile } from 'node:fs/promises';
import { Complaint } from '@even-page/core/complaint';
import { MOST_BYTES, tooLarge } from '$lib/limits.ts';
import type { Person } from './person.ts';
import { addPicture, type Picture, readPicture } from './pictures.ts';
import { clearUpload, wholeUpload } from './upload-server.ts';

/**
 * Makes a picture of a file that was uploaded. Asked again for the same it is done already. Throws a Complaint, and keeps the
 * upload, when it is no picture or not there whole.
 */
export async function takenFromUpload(
  person: Person,
  { upload, id, name }: { upload: string; id: string; name: string },
): Promise<Picture> {
  const before = await readPicture(id).catch((cause: unknown) => {
    if (cause instanceof Complaint) return null;
    throw cause;
  });
  if (before) return before;
  const whole = await wholeUpload(upload);
  if (!whole) throw new Complaint(`${name || 'This picture'} did not arrive whole: send it again.`);
  if (whole.size > MOST_BYTES) throw new Complaint(tooLarge(name));
  const picture = await addPicture(person, { id, name, bytes: await readFile(whole.path) });
  await clearUpload(upload);
  return picture;
}
