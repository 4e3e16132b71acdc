import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import { decode } from './decode.ts';
import { markdown } from './markdown.ts';
import { plainText } from './plain-text.ts';
import type { Source, SourceKind } from './source.ts';
import { srt } from './srt.ts';
import { timedText } from './timed-text.ts';
import { vtt } from './vtt.ts';

/**
 * What came in: always a source; a draft that already has a structure also brings its page, where each block
 * names its passage by number, and the details it states.
 */
export type Gathered = {
  source: Source;
  draft?: { doc: PostNode; details: Partial<Details> };
};

/** One open format: how to tell it from its text (and its file name), and how to read it. */
export type Format = {
  kind: SourceKind;
  fits: (text: string, name: string) => boolean;
  read: (text: string) => Gathered;
};

/** In the order they are asked; the last one takes anything. */
export const FORMATS: readonly Format[] = [vtt, srt, markdown, timedText, plainText];

/**
 * Reads material. The format is told from the words; the file name only helps where Markdown and plain text
 * look alike. Throws a Complaint when nothing can be read.
 */
export function gather(bytes: Uint8Array, name = ''): Gathered {
  const text = decode(bytes);
  return FORMATS.find((f) => f.fits(text, name))!.read(text);
}
