import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import type { Raw } from './raw.ts';
import type { Reading } from './readings.ts';
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

/** One open format: how to tell it from its bytes or words (and its file name), and how to read it. */
export type Format = {
  kind: SourceKind;
  fits: (raw: Raw) => boolean;
  read: (raw: Raw, reading: Reading) => Gathered | Promise<Gathered>;
};
