import type { Origin, PostNode } from '../../post/schema.ts';
import { plainText } from '../../post/sections.ts';

/** A block of words of a proposal: its place among them, its text, its origin marks, and what stands beside it in a table. */
export type WordsBlock = { n: number; node: PostNode; text: string; origins: readonly Origin[]; beside: string };

/** The blocks of words of a page, in order. */
export function wordsBlocks(doc: PostNode): WordsBlock[] {
  const found: WordsBlock[] = [];
  doc.descendants((node, _, parent) => {
    if (!node.isTextblock) return true;
    const beside = parent?.type.name === 'tableRow' ? plainText(parent, ' ') : '';
    found.push({ n: found.length, node, text: plainText(node), origins: (node.attrs.origins ?? []) as Origin[], beside });
    return false;
  });
  return found;
}
