import { Complaint } from '../complaint.ts';
import { unpack } from './archive.ts';
import type { Format } from './formats.ts';
import { isZip } from './raw.ts';

/** Whether bytes are a ZIP archive of several files, as opposed to one document packed so. */
export const archive: Format = {
  kind: 'archive',
  fits: ({ bytes }) => isZip(bytes),
  read: () => {
    throw new Complaint('An archive inside another is not opened: bring it in by itself.');
  },
};

const AROUND = /(?:^|\/)(?:__MACOSX\/|\.|Thumbs\.db|desktop\.ini)/;

/** A file of an archive: where it lies in it, its own name, and its bytes. */
export type PackedFile = { path: string; name: string; bytes: Uint8Array };

/** The files in an archive in the order of their names, without what systems put beside them. */
export function filesIn(bytes: Uint8Array): PackedFile[] {
  const entries = Object.entries(unpack(bytes, (path) => !AROUND.test(path)));
  if (!entries.length) throw new Complaint('This archive holds no files.');
  return entries
    .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
    .map(([path, inner]) => ({ path, name: path.split('/').at(-1)!, bytes: inner }));
}
