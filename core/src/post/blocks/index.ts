import type { NodeSpec } from 'prosemirror-model';
import type { Node as PostNode } from 'prosemirror-model';
import { blockquote } from './blockquote.ts';
import { clip } from './clip.ts';
import { codeBlock } from './code-block.ts';
import { heading } from './heading.ts';
import type { BlockKind } from './kind.ts';
import { bulletList, orderedList } from './list.ts';
import { note } from './note.ts';
import { paragraph } from './paragraph.ts';
import { picture } from './picture.ts';
import { pictureRow } from './picture-row.ts';
import { pullQuote } from './pull-quote.ts';
import { rule } from './rule.ts';
import { table } from './table.ts';

/** Every kind of block a page may hold, by its name; the first is what an empty page begins with. */
const OWN = {
  ...{ paragraph, heading, blockquote, note, pullQuote, bulletList, orderedList, codeBlock, rule },
  ...{ picture, pictureRow, clip, table },
};
export const KINDS: Readonly<Record<string, BlockKind>> = OWN;

type NodeName = keyof typeof OWN | 'author' | 'listItem' | 'tableRow' | 'tableHeader' | 'tableCell';

/** The kind of a block; none for what stands only inside one. */
export const kindOf = (node: PostNode): BlockKind | undefined => KINDS[node.type.name];

/** The nodes of all kinds and of their parts. */
export const blockSpecs = () =>
  Object.fromEntries(Object.entries(KINDS).flatMap(([name, { spec, parts = {} }]) => [[name, spec], ...Object.entries(parts)])) as Record<
    NodeName,
    NodeSpec
  >;

/** One thing that several kinds say, such as their HTML, put together. */
export const ofKinds = <K extends 'fromMdast' | 'toMarkdown' | 'toHast' | 'fromHast'>(what: K): NonNullable<BlockKind[K]> =>
  Object.assign({}, ...Object.values(KINDS).map((kind) => kind[what])) as NonNullable<BlockKind[K]>;
