import { Complaint } from '../complaint.ts';
import { mapPictures, picturesOf } from '../post/pictures.ts';
import { schema } from '../post/schema.ts';
import { archive, filesIn } from './archive-format.ts';
import { FORMATS, gather, type Gathered, type GatheredPicture } from './formats.ts';
import { beginsWith, rawOf } from './raw.ts';
import type { Reading } from './readings.ts';
import { pictureAddress } from './picture-address.ts';

/** One file of material, and what was read in it. */
export type GatheredFile = Gathered & { name: string; bytes: Uint8Array };

/**
 * Reads what was brought in: a file, or the files of an archive one by one. Pictures in an archive go where its
 * pages name them, and after the first page where none does. Throws a Complaint when nothing in it can be read.
 */
export async function gatherSeveral(bytes: Uint8Array, name = '', reading?: Reading): Promise<GatheredFile[]> {
  if (FORMATS.find((f) => f.fits(rawOf(bytes, name))) !== archive) return [{ name, bytes, ...(await gather(bytes, name, reading)) }];
  const files = filesIn(bytes);
  const pictures = files.filter(isPicture);
  const read: GatheredFile[] = [];
  const notes: string[] = [];
  for (const file of files) {
    if (pictures.includes(file)) continue;
    try {
      read.push({ ...file, ...(await gather(file.bytes, file.name)) });
    } catch (cause) {
      if (!(cause instanceof Complaint)) throw cause;
      notes.push(`${file.name}: ${cause.message}`);
    }
  }
  const [first] = read;
  if (!first) throw new Complaint(notes[0] ?? 'This archive holds pictures but no words: bring in its texts, and the pictures at Dress.');
  const placed = new Set(read.flatMap((file) => placePictures(file, pictures)));
  const loose = pictures.filter((picture) => !placed.has(picture));
  if (loose.length) addAfter(first, loose);
  if (notes.length) first.notes = [...(first.notes ?? []), ...notes];
  return read;
}

const isPicture = ({ bytes }: GatheredPicture): boolean =>
  ['\x89PNG', '\xff\xd8\xff', 'GIF8'].some((letters) => beginsWith(bytes, letters)) ||
  beginsWith(bytes, 'WEBP', 8) ||
  beginsWith(bytes, 'ftypavif', 4);

const baseName = (path: string) =>
  decodeURI(path.replace(/%(?![0-9a-f]{2})/gi, '%25'))
    .split(/[\\/]/)
    .at(-1)!;

/** Gives the pictures a page names by their file name to it; returns those that found their place. */
function placePictures(file: GatheredFile, pictures: readonly GatheredPicture[]): GatheredPicture[] {
  if (!file.draft) return [];
  const own = (file.pictures ??= []);
  const placed: GatheredPicture[] = [];
  for (const { src } of picturesOf(file.draft.doc)) {
    const picture = /^(?:[a-z]+:|gathered\/)/i.test(src) ? undefined : pictures.find((p) => p.name === baseName(src));
    if (!picture || placed.includes(picture)) continue;
    placed.push(picture);
    own.push(picture);
    const address = pictureAddress(own.length - 1);
    file.draft.doc = mapPictures(file.draft.doc, (other) => (other === src ? address : other));
  }
  return placed;
}

function addAfter(file: GatheredFile, pictures: readonly GatheredPicture[]): void {
  if (!file.draft) {
    file.notes = [
      ...(file.notes ?? []),
      `Pictures of the archive that belong to no page: ${pictures.map((p) => p.name).join(', ')}. Add them at Dress.`,
    ];
    return;
  }
  const own = (file.pictures ??= []);
  const nodes = pictures.map((picture) => {
    own.push(picture);
    return schema.nodes.picture.create({ src: pictureAddress(own.length - 1) });
  });
  file.draft.doc = schema.node('doc', null, [...file.draft.doc.children, ...nodes]);
}
