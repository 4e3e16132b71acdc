import { Complaint } from '../complaint.ts';
import { pathsIn, unpack } from './archive.ts';
import type { Format } from './format.ts';
import { isZip } from './raw.ts';

/** Whether bytes are a ZIP archive of several files, as opposed to one document packed so. */
export const archive: Format = {
  kind: 'archive',
  label: 'archive',
  extensions: ['zip'],
  readings: [],
  fits: ({ bytes }) => isZip(bytes),
  read: ({ bytes }) => {
    refusePrograms(bytes);
    throw new Complaint('An archive inside another is not opened: bring it in by itself.');
  },
};

/** Files of programs that are packed as ZIP, told by what lies in them, and what to do with them. */
const PROGRAMS: readonly [path: RegExp, says: string][] = [
  [/^xl\/workbook\.(?:xml|bin)$/, 'This is a spreadsheet: save the sheet you need as CSV where it was made, then bring that in.'],
  [
    /^META-INF\/container\.xml$/,
    'This is a book for reading devices (EPUB): bring in the text it was made of, or its pages from the archive it is.',
  ],
  [/^(?:Index\/|index\.xml$|Index\.zip$)/i, 'This is a file of a program’s own kind: export it as .docx or PDF there, then bring that in.'],
  [/^(?:AndroidManifest\.xml|META-INF\/MANIFEST\.MF)$/, 'This is a program, not material: bring in texts, captions or documents.'],
  [
    /^(?:\[Content_Types\]\.xml|mimetype)$/,
    'This is a file of a program’s own kind: export it as .docx, PDF or CSV there, then bring that in.',
  ],
];

/** Throws a Complaint when an archive is the file of a program, not one that somebody packed. */
export function refusePrograms(bytes: Uint8Array): void {
  const paths = pathsIn(bytes);
  const found = PROGRAMS.find(([path]) => paths.some((p) => path.test(p)));
  if (found) throw new Complaint(found[1]);
}

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
