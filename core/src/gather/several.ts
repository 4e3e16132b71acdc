import { Complaint } from '../complaint.ts';
import { mapFiles, picturesOf } from '../post/pictures.ts';
import { schema } from '../post/schema.ts';
import { archive, filesIn, refusePrograms, type PackedFile } from './archive-format.ts';
import type { Gathered, GatheredPicture } from './format.ts';
import { formatOf, read as readWith, withoutLost } from './formats.ts';
import { beginsWith, rawOf } from './raw.ts';
import type { Reading } from './readings.ts';
import { pictureAddress } from './picture-address.ts';

/** One file of material, and what was read in it. */
export type GatheredFile = Gathered & { name: string; bytes: Uint8Array };

/**
 * Reads what was brought in: a file with those attached to it, or the files of an archive one by one. Pictures in an archive
 * go where its pages name them, and after the first page where none does. Throws a Complaint when nothing in it can be read.
 */
export async function gatherSeveral(bytes: Uint8Array, name = '', reading?: Reading, address?: string): Promise<GatheredFile[]> {
  const raw = rawOf(bytes, name, address);
  const format = formatOf(raw);
  if (format !== archive) return withAttached({ name, bytes, ...withoutLost(await readWith(format, raw, reading)) });
  refusePrograms(bytes);
  const files = filesIn(bytes);
  const pictures = files.filter(isPicture);
  const { read, notes } = await readEach(files.filter((file) => !pictures.includes(file)));
  const [first] = read;
  if (!first) throw new Complaint(notes[0] ?? 'This archive holds pictures but no words: bring in its texts, and the pictures at Dress.');
  const placed = new Set(read.flatMap((file) => placePictures(file, pictures)));
  const loose = pictures.filter((picture) => !placed.has(picture));
  if (loose.length) addAfter(first, loose);
  return told(
    read.map(({ path: _, ...file }) => ({ ...file, ...withoutLost(file) })),
    notes,
  );
}

/** A file and those that came with it, each by itself; what cannot be read is named. */
async function withAttached({ attached = [], ...file }: GatheredFile): Promise<GatheredFile[]> {
  const { read, notes } = await readEach(attached);
  return told(
    [file, ...read.map((one) => ({ ...one, ...withoutLost(one) }))],
    notes.map((note) => `Not taken: ${note}`),
  );
}

function readFile({ bytes, name }: GatheredPicture): Promise<Gathered> {
  const raw = rawOf(bytes, name);
  return readWith(formatOf(raw), raw);
}

async function readEach<F extends GatheredPicture>(files: readonly F[]): Promise<{ read: (F & Gathered)[]; notes: string[] }> {
  const read: (F & Gathered)[] = [];
  const notes: string[] = [];
  for (const file of files) {
    try {
      const { attached, ...gathered } = await readFile(file);
      read.push({ ...file, ...gathered });
      for (const { name } of attached ?? []) notes.push(`${name}, which came with ${file.name}: bring it in by itself.`);
    } catch (cause) {
      if (!(cause instanceof Complaint)) throw cause;
      notes.push(`${file.name}: ${cause.message}`);
    }
  }
  return { read, notes };
}

function told(files: GatheredFile[], notes: readonly string[]): GatheredFile[] {
  const [first] = files;
  if (notes.length) first!.notes = [...(first!.notes ?? []), ...notes];
  return files;
}

const isPicture = ({ bytes }: GatheredPicture): boolean =>
  ['\x89PNG', '\xff\xd8\xff', 'GIF8'].some((letters) => beginsWith(bytes, letters)) ||
  beginsWith(bytes, 'WEBP', 8) ||
  beginsWith(bytes, 'ftypavif', 4);

const parts = (path: string) =>
  decodeURI(path.replace(/%(?![0-9a-f]{2})/gi, '%25').replace(/[?#].*$/, ''))
    .normalize('NFC')
    .split(/[\\/]/);

/** Where an address of a page leads in its archive, from the folder of the page. */
function pathFrom(page: string, address: string): string {
  const steps = parts(page).slice(0, -1);
  for (const step of parts(address)) {
    if (step === '..') steps.pop();
    else if (step && step !== '.') steps.push(step);
  }
  return steps.join('/');
}

/** The picture an address of a page means: the one at that place, else the only one of that name. */
function pictureAt(page: string, address: string, pictures: readonly PackedFile[]): PackedFile | undefined {
  const path = pathFrom(page, address);
  const named = pictures.filter((p) => parts(p.path).at(-1) === parts(address).at(-1));
  return pictures.find((p) => parts(p.path).join('/') === path) ?? (named.length === 1 ? named[0] : undefined);
}

/** Gives the pictures a page names to it; returns those that found their place. */
function placePictures(file: GatheredFile & PackedFile, pictures: readonly PackedFile[]): PackedFile[] {
  if (!file.draft) return [];
  const own = (file.pictures ??= []);
  const placed: PackedFile[] = [];
  for (const { src } of picturesOf(file.draft.doc)) {
    const picture = /^(?:[a-z]+:|gathered\/)/i.test(src) ? undefined : pictureAt(file.path, src, pictures);
    if (!picture || placed.includes(picture)) continue;
    placed.push(picture);
    own.push({ name: picture.name, bytes: picture.bytes });
    const address = pictureAddress(own.length - 1);
    file.draft.doc = mapFiles(file.draft.doc, (other) => (other === src ? address : other));
  }
  return placed;
}

function addAfter(file: GatheredFile, pictures: readonly PackedFile[]): void {
  if (!file.draft) {
    file.notes = [
      ...(file.notes ?? []),
      `Pictures of the archive that belong to no page: ${pictures.map((p) => p.name).join(', ')}. Add them at Dress.`,
    ];
    return;
  }
  const own = (file.pictures ??= []);
  const nodes = pictures.map((picture) => {
    own.push({ name: picture.name, bytes: picture.bytes });
    return schema.nodes.picture.create({ src: pictureAddress(own.length - 1) });
  });
  file.draft.doc = schema.node('doc', null, [...file.draft.doc.children, ...nodes]);
}
