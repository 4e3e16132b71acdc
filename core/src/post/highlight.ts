import type { Handle as FromHast } from 'hast-util-to-mdast';
import type { Parent, PhrasingContent } from 'mdast';
import type { Handlers as HastHandlers } from 'mdast-util-to-hast';
import type { Handlers as MarkdownHandlers } from 'mdast-util-to-markdown';
import { element } from './element.ts';

/** Words with a mark behind them; in Markdown the `<mark>` they are. */
export interface Highlight extends Parent {
  type: 'highlight';
  children: PhrasingContent[];
}

declare module 'mdast' {
  interface RootContentMap {
    highlight: Highlight;
  }
  interface PhrasingContentMap {
    highlight: Highlight;
  }
}

/** How it is written in Markdown and HTML, and comes out of HTML. */
export const highlight: { toMarkdown: Partial<MarkdownHandlers>; toHast: HastHandlers; fromHast: Record<string, FromHast> } = {
  toMarkdown: {
    highlight: (node: Highlight, _, state, info) =>
      `<mark>${state.containerPhrasing(node as never, { ...info, before: '>', after: '<' })}</mark>`,
  },
  toHast: { highlight: (state, node: Highlight) => element('mark', state.all(node)) },
  fromHast: { mark: (state, node) => ({ type: 'highlight', children: state.all(node) as PhrasingContent[] }) },
};
