import { wordCount } from '../language/words.ts';
import type { PostNode } from './schema.ts';

/** A headed part of the post. Positions are ProseMirror positions in the document, from before its heading to its end. */
export type Section = {
  /** The id of its heading, or `lead` for what stands before the first heading. */
  id: string;
  level: number;
  heading: string;
  from: number;
  to: number;
  /** Words below the heading, the heading itself not counted. */
  words: number;
};

/** The words of a node as plain text: a line a block, a space for a line break. */
export function plainText(node: PostNode, separator = '\n'): string {
  return node.textBetween(0, node.content.size, separator, (leaf) => (leaf.type.name === 'hardBreak' ? ' ' : ''));
}

// A block never changes: another stands in its place. So its words are counted once.
const counted = new WeakMap<PostNode, number>();

/** How many words a block has. */
export function wordsIn(block: PostNode): number {
  let words = counted.get(block);
  if (words === undefined) counted.set(block, (words = wordCount(plainText(block))));
  return words;
}

/**
 * The sections of a post: each level 2 heading (or 1) opens one; deeper headings belong to it. What stands
 * before the first is the lead, and is left out when it holds nothing.
 */
export function sectionsOf(doc: PostNode): Section[] {
  return split(doc, 2);
}

/** Every headed part at every level, each ending at the next heading of any level: the outline of the post. */
export function outlineOf(doc: PostNode): Section[] {
  return split(doc, 6);
}

/** Where the branch of a part ends: the place of the next part that does not lie below it. */
export function branchEnd(parts: readonly Section[], at: number): number {
  const after = parts.findIndex((p, i) => i > at && p.level <= parts[at]!.level);
  return after < 0 ? parts.length : after;
}

function split(doc: PostNode, deepest: number): Section[] {
  const found: Section[] = [{ id: 'lead', level: 2, heading: '', from: 0, to: 0, words: 0 }];
  doc.forEach((block, pos) => {
    const end = pos + block.nodeSize;
    if (block.type.name === 'heading' && block.attrs.level <= deepest) {
      const { id, level } = block.attrs as { id: string; level: number };
      found.push({ id, level, heading: plainText(block).trim(), from: pos, to: end, words: 0 });
    } else {
      const section = found.at(-1)!;
      section.to = end;
      section.words += wordsIn(block);
    }
  });
  const [lead, ...headed] = found;
  return lead!.words > 0 || (headed.length === 0 && lead!.to > 2) ? found : headed;
}
