import type { Parents } from 'mdast';
import { type ElementLike, PART, WORDS, wordsOfDOM, wordsToDOM } from '../attributes.ts';
import type { BlockKind } from './kind.ts';

export const paragraph: BlockKind = {
  spec: {
    group: 'block',
    content: 'inline*',
    attrs: { ...WORDS, ...PART },
    parseDOM: [{ tag: 'p', getAttrs: (dom: ElementLike) => ({ part: dom.getAttribute('data-part') ?? '', ...wordsOfDOM(dom) }) }],
    toDOM: (node) => ['p', { ...wordsToDOM(node), ...(node.attrs.part && { 'data-part': node.attrs.part as string }) }, 0],
  },
  toMdast: (node, out) => ({ type: 'paragraph', children: out.words(node) }),
  isLeftOutEmpty: true,
  fromMdast: {
    paragraph: (node: Parents, read) => read.blocks(node),
    footnoteDefinition: (node: Parents, read) => read.blocks(node),
    definition: () => [],
    yaml: () => [],
  },
};
