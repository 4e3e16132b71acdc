import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import type { Raw } from './raw.ts';
import type { OfferedReading, Reading } from './readings.ts';
import type { Source, SourceKind } from './source.ts';

/** A picture that came along in material: the name of its file, and its bytes. */
export type GatheredPicture = { name: string; bytes: Uint8Array };

/**
 * What came in: always a source; a draft that already has a structure also brings its page, where each block
 * names its passage by number and each picture stands under its `pictureAddress`, and the details it states.
 */
export type Gathered = {
  source: Source;
  draft?: { doc: PostNode; details: Partial<Details> };
  pictures?: GatheredPicture[];
  /** Files that came with it, as documents come with a mail, not read yet. */
  attached?: GatheredPicture[];
  /** What the writer should know of the reading, a sentence each. */
  notes?: string[];
};

/** One open format: what writers call it, how its files end, how it can be read, and how it is told from its bytes or words. */
export type Format = {
  kind: SourceKind;
  /** What a source of this kind is called in a list. */
  label: string;
  /** How names of its files end, without the full stop; it is told from its bytes all the same. */
  extensions: readonly string[];
  /** The readings a writer can choose between, the usual one first; none where there is but one. */
  readings: readonly OfferedReading[];
  fits: (raw: Raw) => boolean;
  read: (raw: Raw, reading: Reading) => Gathered | Promise<Gathered>;
};

/** Whether a file's name ends as those of a format do. */
export const isNamedAs = ({ extensions }: Pick<Format, 'extensions'>, name: string): boolean =>
  extensions.some((extension) => name.toLowerCase().endsWith(`.${extension}`));
