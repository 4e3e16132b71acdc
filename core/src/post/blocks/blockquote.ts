import type { Element } from 'hast';
import type { BlockContent, Blockquote, PhrasingContent } from 'mdast';
import { ID } from '../attributes.ts';
import { element } from '../element.ts';
import type { Node as PostNode } from 'prosemirror-model';
import { filled } from './filled.ts';
import type { BlockKind } from './kind.ts';

declare module 'mdast' {
  interface ParagraphData {
    /** That the paragraph says who a quotation is from. */
    isAuthor?: boolean;
  }
}

/** What stands before the author of a quotation in Markdown (common practice, no source). */
const AUTHOR_SIGN = '— ';

/** The last paragraph of a quotation that begins with a long dash says whose words they are. */
function withAuthor(found: PostNode[]): PostNode[] {
  const last = found.at(-1)!;
  if (found.length < 2 || last.type.name !== 'paragraph' || !/^[—–―]\s*\S/.test(last.textContent)) return found;
  const dash = /^[—–―]\s*/.exec(last.firstChild!.text ?? '')?.[0].length ?? 0;
  return [...found.slice(0, -1), last.type.schema.nodes.author!.create(null, last.cut(dash).content)];
}

const authorIn = (children: readonly PhrasingContent[]): BlockContent[] =>
  children.length ? [{ type: 'paragraph', data: { isAuthor: true }, children: [{ type: 'text', value: AUTHOR_SIGN }, ...children] }] : [];

/** A quotation, which may end with who said it. */
export const blockquote: BlockKind = {
  spec: {
    group: 'block',
    content: 'block+ author?',
    attrs: ID,
    defining: true,
    parseDOM: [{ tag: 'blockquote' }],
    toDOM: () => ['blockquote', 0],
  },
  parts: {
    author: {
      content: 'inline*',
      defining: true,
      parseDOM: [{ tag: 'footer', context: 'blockquote/' }],
      toDOM: () => ['footer', 0],
    },
  },
  toMdast(node, out) {
    const author = node.lastChild?.type.name === 'author' ? node.lastChild : null;
    const words = author ? node.copy(node.content.cut(0, node.content.size - author.nodeSize)) : node;
    return { type: 'blockquote', children: [...out.blocks(words), ...(author ? authorIn(out.words(author)) : [])] };
  },
  fromMdast: {
    blockquote: (node: Blockquote, read) => [read.nodes.blockquote!.create(null, withAuthor(filled(read.blocks(node), read)))],
  },
  toHast: {
    // The standard puts whose words they are beside a quotation, not into it.
    blockquote(state, node: Blockquote): Element {
      const last = node.children.at(-1);
      const isSigned = last?.type === 'paragraph' && last.data?.isAuthor;
      const words = isSigned ? { ...node, children: node.children.slice(0, -1) } : node;
      const quotation = element('blockquote', state.wrap(state.all(words), true));
      if (!isSigned) return quotation;
      const author = element('figcaption', state.all({ ...last, children: last.children.slice(1) }));
      return element('figure', state.wrap([quotation, author], true));
    },
  },
};

/** The quotation of a figure, with its caption as whose words they are. */
export function signed(
  state: Parameters<NonNullable<BlockKind['fromHast']>[string]>[0],
  quotation: Element,
  author: Element | undefined,
): Blockquote {
  const words = state.toFlow(state.all(quotation)) as BlockContent[];
  return { type: 'blockquote', children: [...words, ...authorIn(author ? (state.all(author) as PhrasingContent[]) : [])] };
}
