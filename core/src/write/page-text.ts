import type { PostNode } from '../post/schema.ts';

/** The words of a page in one string, blocks parted by line breaks. Offsets are UTF-16. */
export type PageText = { text: string; blocks: readonly { at: number; length: number; pos: number }[] };

/** The words of a page as one text to look through. */
export function pageText(doc: PostNode): PageText {
  const blocks: { at: number; length: number; pos: number }[] = [];
  let text = '';
  doc.descendants((node, pos) => {
    if (!node.isTextblock) return true;
    if (text) text += '\n';
    // A line break inside a block is one letter here as it is one place there.
    const words = node.textBetween(0, node.content.size, undefined, '\n');
    blocks.push({ at: text.length, length: words.length, pos: pos + 1 });
    text += words;
    return false;
  });
  return { text, blocks };
}

/** Where a stretch of that text stands on the page; null when it runs over the edge of a block. */
export function onPage({ blocks }: PageText, from: number, to: number): { from: number; to: number } | null {
  const block = blocks.findLast((b) => b.at <= from);
  if (!block || to > block.at + block.length) return null;
  return { from: block.pos + from - block.at, to: block.pos + to - block.at };
}
