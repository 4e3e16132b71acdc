import type { Element } from 'hast';
import type { Parent, PhrasingContent } from 'mdast';
import { WORDS, wordsOfDOM, wordsToDOM } from '../attributes.ts';
import { element } from '../element.ts';
import type { BlockKind } from './kind.ts';

/** Words of the post set large; `<aside><q>` as in the HTML standard's section on aside. */
export interface PullQuote extends Parent {
  type: 'pullQuote';
  children: PhrasingContent[];
}

declare module 'mdast' {
  interface BlockContentMap {
    pullQuote: PullQuote;
  }
  interface RootContentMap {
    pullQuote: PullQuote;
  }
}

const elementsIn = (node: Element) => node.children.filter((child) => child.type !== 'text' || child.value.trim());

/** Words of the post itself, set large. */
export const pullQuote: BlockKind = {
  spec: {
    group: 'block',
    content: 'inline*',
    attrs: WORDS,
    defining: true,
    parseDOM: [{ tag: 'aside[data-pull]', priority: 60, getAttrs: wordsOfDOM }],
    toDOM: (node) => ['aside', { 'data-pull': '', ...wordsToDOM(node) }, 0],
  },
  toMdast: (node, out) => ({ type: 'pullQuote', children: out.words(node) }),
  isLeftOutEmpty: true,
  fromMdast: {
    pullQuote: (node: PullQuote, read) => [read.nodes.pullQuote!.create(null, read.words(node)), ...read.pictures(node)],
  },
  toMarkdown: {
    pullQuote: (node: PullQuote, _, state, info) =>
      `<aside>\n\n<q>${state.containerPhrasing(node as never, { ...info, before: '>', after: '<' })}</q>\n\n</aside>`,
  },
  toHast: { pullQuote: (state, node: PullQuote) => element('aside', [element('q', state.all(node))]) },
  fromHast: {
    // An aside that is all one quotation is a pull quote, any other a note.
    aside: (state, node) => {
      const [only, ...more] = elementsIn(node);
      const isPull = !more.length && only?.type === 'element' && only.tagName === 'q';
      if (isPull) return { type: 'pullQuote', children: state.all(only) as PhrasingContent[] };
      return { type: 'note', children: state.toFlow(state.all(node)) };
    },
  },
};
