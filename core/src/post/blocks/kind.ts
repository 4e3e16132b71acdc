import type { BlockContent, Parents, PhrasingContent } from 'mdast';
import type { Handle } from 'hast-util-to-mdast';
import type { Handlers as HastHandlers } from 'mdast-util-to-hast';
import type { Handlers as MarkdownHandlers } from 'mdast-util-to-markdown';
import type { NodeSpec, NodeType } from 'prosemirror-model';
import type { Dress } from '../dress.ts';
import type { Node as PostNode } from 'prosemirror-model';

/** What the way out offers a kind: the trees of what stands inside it, and the files and players known where it goes. */
export type Out = {
  blocks(parent: PostNode): BlockContent[];
  words(block: PostNode): PhrasingContent[];
  dress: Dress;
};

/** What the way in offers a kind: the kinds of the schema, and the page's nodes for what stands inside a Markdown node. */
export type In = {
  nodes: Record<string, NodeType>;
  text(words: string): PostNode;
  blocks(node: Parents): PostNode[];
  words(node: Parents): PostNode[];
  /** The pictures inside a node whose place holds words alone. */
  pictures(node: Parents): PostNode[];
};

/** How a Markdown node becomes blocks: several, one or none. */
export type FromMdast = (node: never, read: In) => PostNode[];

/** All about one kind of block. The page, its Markdown and its HTML know no kind but through this. */
export type BlockKind = {
  /** What it is in the schema, and what stands only inside it. */
  spec: NodeSpec;
  parts?: Record<string, NodeSpec>;
  /** Its Markdown tree, on the way to Markdown and to HTML. */
  toMdast(node: PostNode, out: Out): BlockContent;
  /** Whether one without words is a place to type, and no part of the post. */
  isLeftOutEmpty?: boolean;
  fromMdast?: Record<string, FromMdast>;
  /** Where its tree has nodes of our own: how they are written in Markdown and HTML, and come out of HTML. */
  toMarkdown?: Partial<MarkdownHandlers>;
  toHast?: HastHandlers;
  fromHast?: Record<string, Handle>;
  /** The attributes its Markdown and its HTML say; the others outlive an edit there. */
  said?: Record<'markdown' | 'html', readonly string[]>;
  /** What it says where its content does not. */
  textOf?(node: PostNode): string;
  /** Which of its attributes lead to a file: without a `whole` one the block is gone, without a `part` it stays. */
  files?: Record<string, 'whole' | 'part'>;
};

/** A kind said by one attribute in both. */
export const saidInBoth = (...names: string[]): BlockKind['said'] => ({ markdown: names, html: names });
