import type { PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';

/** A heading (its level 1 to 6) or a block of text (level 0) of a page. */
export type Part = { level: number; text: string };

// A block never changes: another stands in its place.
const known = new WeakMap<PostNode, Part>();

/** What a page consists of, in order; what has no words is left out. */
export const partsOf = (doc: PostNode): Part[] =>
  doc.children
    .map((block) => {
      let part = known.get(block);
      if (!part)
        known.set(
          block,
          (part = { level: block.type.name === 'heading' ? (block.attrs.level as number) : 0, text: plainText(block).trim() }),
        );
      return part;
    })
    .filter(({ text }) => text);

const ASKS = /\?\s*$/;
const BEGINS_ASKING = /^(?:\d+[.)]\s*)?(?:how|what|why|when|where|which|who|can|could|should|do|does|is|are|will)\b/i;

/** The headings that ask something and have text below. */
export const questionsIn = (parts: readonly Part[]): string[] =>
  parts.flatMap(({ level, text }, n) =>
    level && (ASKS.test(text) || BEGINS_ASKING.test(text)) && parts[n + 1]?.level === 0 ? [text] : [],
  );
