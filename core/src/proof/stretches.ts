import type { Origin, PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';

/** The words of one heading, paragraph, item or cell, and where they stand. */
export type Stretch = {
  node: PostNode;
  text: string;
  origins: readonly Origin[];
  /** The nearest block with an id, and where in it the text begins. */
  block: string;
  at: number;
  /** The kinds of block around it, from the outermost. */
  inside: readonly string[];
  /** The row it stands in, as text, where it is a cell. */
  beside: string;
};

// A block never changes: another stands in its place.
const known = new WeakMap<PostNode, Stretch[]>();

/** All words of a page, in order; code is none. */
export function stretchesOf(doc: PostNode): Stretch[] {
  return doc.children.flatMap((block) => {
    let found = known.get(block);
    if (!found) known.set(block, (found = inBlock(block)));
    return found;
  });
}

function inBlock(block: PostNode): Stretch[] {
  const found: Stretch[] = [];
  const look = (node: PostNode, id: string, at: number, inside: readonly string[], beside: string): void => {
    if (node.type.name === 'codeBlock') return;
    if (node.isTextblock) {
      const origins = (node.attrs.origins ?? []) as readonly Origin[];
      found.push({ node, text: plainText(node), origins, block: id, at, inside, beside });
      return;
    }
    const row = node.type.name === 'tableRow' ? plainText(node, ' ') : beside;
    node.forEach((child, offset) => {
      const own = child.attrs.id as string;
      look(child, own || id, own ? 0 : at + offset + 1, [...inside, node.type.name], row);
    });
  };
  look(block, block.attrs.id as string, 0, [], '');
  return found;
}

export const isHeading = ({ node }: Stretch): boolean => node.type.name === 'heading';

/** Whether a stretch is a paragraph of prose: no heading, no item, no cell. */
export const isProse = ({ node, inside }: Stretch): boolean =>
  node.type.name === 'paragraph' && inside.every((kind) => kind === 'blockquote' || kind === 'note');
