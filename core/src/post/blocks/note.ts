import type { BlockContent, DefinitionContent, Parent } from 'mdast';
import { ID } from '../attributes.ts';
import { element } from '../element.ts';
import { filled } from './filled.ts';
import type { BlockKind } from './kind.ts';

/** A note in a box. In Markdown it is written as the `<aside>` it is, which CommonMark lets through. */
export interface Note extends Parent {
  type: 'note';
  children: (BlockContent | DefinitionContent)[];
}

declare module 'mdast' {
  interface BlockContentMap {
    note: Note;
  }
  interface RootContentMap {
    note: Note;
  }
}

/** A note in a box, beside the run of the text. */
export const note: BlockKind = {
  spec: {
    group: 'block',
    content: 'block+',
    attrs: ID,
    defining: true,
    parseDOM: [{ tag: 'aside' }],
    toDOM: () => ['aside', 0],
  },
  toMdast: (node, out) => ({ type: 'note', children: out.blocks(node) }),
  fromMdast: { note: (node: Note, read) => [read.nodes.note!.create(null, filled(read.blocks(node), read))] },
  toMarkdown: { note: (node: Note, _, state, info) => `<aside>\n\n${state.containerFlow(node as never, info)}\n\n</aside>` },
  toHast: { note: (state, node: Note) => element('aside', state.wrap(state.all(node), true)) },
};
