import { wordCount } from '../language/words.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';

// Apart from incoming.ts, so that the worker, which only plans, needs no reader of Markdown: that of browsers wants a document.

/** A headed part of an outline or a draft that comes from elsewhere: what stands above its first heading has none. */
export type Incoming = { level: number; heading: string; blocks: PostNode[] };

/** A line of an outline is no sentence: it has at most so many words. */
export const LONGEST_POINT = 14;

/** Whether parts are an outline alone, with no words below their headings but notes. */
export const isOutline = (parts: readonly Incoming[]): boolean =>
  parts.length > 0 &&
  parts.every((p) => p.heading && p.blocks.reduce((sum, block) => sum + wordCount(plainText(block)), 0) <= LONGEST_POINT);
