import type { Element } from 'hast';
import type { BlockContent, DefinitionContent, Parent, Parents, PhrasingContent } from 'mdast';
import type { Handlers as HastHandlers } from 'mdast-util-to-hast';
import type { Handle as FromHast } from 'hast-util-to-mdast';
import type { Handlers as MarkdownHandlers } from 'mdast-util-to-markdown';
import { element } from './element.ts';

// What a post holds beyond Markdown. In Markdown these are written as the HTML elements they are, which CommonMark
// lets through: <aside> for a note, <aside><q> for a pull quote (as in the HTML standard's section on aside), <mark>.

/** A note in a box. */
export interface Note extends Parent {
  type: 'note';
  children: (BlockContent | DefinitionContent)[];
}
/** Words of the post set large. */
export interface PullQuote extends Parent {
  type: 'pullQuote';
  children: PhrasingContent[];
}
/** Words with a mark behind them. */
export interface Highlight extends Parent {
  type: 'highlight';
  children: PhrasingContent[];
}

declare module 'mdast' {
  interface BlockContentMap {
    note: Note;
    pullQuote: PullQuote;
  }
  interface RootContentMap {
    note: Note;
    pullQuote: PullQuote;
    highlight: Highlight;
  }
  interface PhrasingContentMap {
    highlight: Highlight;
  }
}

/** How they are written in Markdown. */
export const ownToMarkdown: Partial<MarkdownHandlers> = {
  note: (node: Note, _, state, info) => `<aside>\n\n${state.containerFlow(node as never, info)}\n\n</aside>`,
  pullQuote: (node: PullQuote, _, state, info) =>
    `<aside>\n\n<q>${state.containerPhrasing(node as never, { ...info, before: '>', after: '<' })}</q>\n\n</aside>`,
  highlight: (node: Highlight, _, state, info) =>
    `<mark>${state.containerPhrasing(node as never, { ...info, before: '>', after: '<' })}</mark>`,
};

/** How they become HTML. */
export const ownToHast: HastHandlers = {
  note: (state, node: Note) => element('aside', state.wrap(state.all(node), true)),
  pullQuote: (state, node: PullQuote) => element('aside', [element('q', state.all(node))]),
  highlight: (state, node: Highlight) => element('mark', state.all(node)),
};

const elementsIn = (node: Element) => node.children.filter((child) => child.type !== 'text' || child.value.trim());

/** How they come out of HTML. */
export const ownFromHast: Record<'aside' | 'mark', FromHast> = {
  aside: (state, node) => {
    const [only, ...more] = elementsIn(node);
    const isPull = !more.length && only?.type === 'element' && only.tagName === 'q';
    if (isPull) return { type: 'pullQuote', children: state.all(only) as PhrasingContent[] };
    return { type: 'note', children: state.toFlow(state.all(node)) };
  },
  mark: (state, node) => ({ type: 'highlight', children: state.all(node) as PhrasingContent[] }),
};

const OPEN = { aside: '<aside>', mark: '<mark>', q: '<q>' };
const CLOSE = { aside: '</aside>', mark: '</mark>', q: '</q>' };
type Own = keyof typeof OPEN;

/** Whether raw HTML in Markdown is one of the tags a post is written with. */
export const isOwnTag = (markup: string): boolean => /^<\/?(?:aside|mark|q)>$/.test(markup.trim());

type Child = Parents['children'][number];

/** The children of a Markdown node with each pair of tags, and what stands between them, made one node. */
export function pairedTags<T extends Child>(children: readonly T[], tag: Own, made: (between: T[]) => T): T[] {
  const isTag = (node: T, sign: string) => node.type === 'html' && node.value.trim() === sign;
  const found: T[] = [];
  for (let i = 0; i < children.length; i++) {
    const node = children[i]!;
    let end = -1;
    if (isTag(node, OPEN[tag])) {
      for (let k = i + 1, depth = 1; k < children.length && end < 0; k++) {
        if (isTag(children[k]!, OPEN[tag])) depth++;
        else if (isTag(children[k]!, CLOSE[tag]) && --depth === 0) end = k;
      }
    }
    if (end < 0) found.push(node);
    else {
      found.push(made(pairedTags(children.slice(i + 1, end), tag, made)));
      i = end;
    }
  }
  return found;
}

/** A note, or a pull quote if it is one quoted run of words. */
export function asideOf(children: (BlockContent | DefinitionContent)[]): Note | PullQuote {
  const [only, ...more] = children;
  if (!more.length && only?.type === 'paragraph') {
    const words = only.children;
    const [first, last] = [words[0], words.at(-1)];
    if (first?.type === 'html' && first.value === OPEN.q && last?.type === 'html' && last.value === CLOSE.q)
      return { type: 'pullQuote', children: words.slice(1, -1) };
  }
  return { type: 'note', children };
}
