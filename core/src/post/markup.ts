import type { Element, Nodes as HastNodes } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import type { Nodes as MdastNodes } from 'mdast';
import { Fragment } from 'prosemirror-model';
import { counterparts } from './counterparts.ts';
import { PLAYERS, postFromHtml, postToHtml } from './html.ts';
import { figureOfPlayer } from './blocks/clip.ts';
import { parseMarkdown, postFromMarkdown, postToMarkdown } from './markdown.ts';
import { kindOf } from './blocks/index.ts';
import { isOwnTag } from './paired-tags.ts';
import { schema, type PostNode } from './schema.ts';

/** The two ways a page is written in signs. */
export type Markup = 'markdown' | 'html';

const WAYS = {
  markdown: { read: postFromMarkdown, write: postToMarkdown },
  html: { read: postFromHtml, write: postToHtml },
} as const;

/** The page as markup, its body only. */
export const toMarkup = (doc: PostNode, as: Markup): string => WAYS[as].write(doc);

/**
 * A page from markup that was edited. What signs cannot say is taken over from the page as it was: the ids of blocks,
 * their origin marks, the notes of headings. Never throws: of markup that cannot be read the words are kept.
 * @returns the page, and the names of what it cannot hold
 */
export function fromMarkup(text: string, as: Markup, before: PostNode): { doc: PostNode; left: string[] } {
  const read = readMarkup(text, as);
  const left = read ? (as === 'html' ? leftOfHtml(text) : leftOfMarkdown(text)) : ['markup built like this'];
  return { doc: carriedOver(read ?? wordsAlone(text, as), before, as), left };
}

/** Markup as a page; null when its reader cannot follow, as when it nests thousands deep. */
function readMarkup(text: string, as: Markup): PostNode | null {
  try {
    const doc = WAYS[as].read(text);
    doc.check();
    return doc;
  } catch {
    return null;
  }
}

/** The words of markup that cannot be read, a paragraph for each stretch between blank lines. */
function wordsAlone(text: string, as: Markup): PostNode {
  const words = as === 'html' ? text.replace(/<[^<>]*>/g, ' ') : text;
  const paragraphs = words
    .split(/\n\s*\n/)
    .flatMap((part) => (part.trim() ? [schema.node('paragraph', null, schema.text(part.trim()))] : []));
  return schema.node('doc', null, paragraphs.length ? paragraphs : [schema.node('paragraph')]);
}

function carriedOver(doc: PostNode, before: PostNode, as: Markup): PostNode {
  const was = counterparts(before.children, doc.children);
  const of = new Map(was.flatMap((n, i) => (n === null ? [] : [[n, before.child(i)]])));
  // What stands inside lists, quotations, tables and rows is known by what it says, in its order; the page's own comes last.
  const known = new Map<string, PostNode[]>();
  const keyOf = (node: PostNode) => `${node.type.name} ${node.isTextblock ? node.textContent : JSON.stringify(said(node, as))}`;
  const know = (node: PostNode) => known.set(keyOf(node), [...(known.get(keyOf(node)) ?? []), node]);
  const isKnown = (node: PostNode) => node.isTextblock || (node.isBlock && node.isLeaf);
  before.descendants((node, _, parent) => {
    if (isKnown(node) && parent !== before) know(node);
    return !node.isTextblock;
  });
  before.children.filter(isKnown).forEach(know);
  const inner = (node: PostNode): PostNode => {
    if (node.isInline) return node;
    const was = isKnown(node) ? known.get(keyOf(node))?.shift() : undefined;
    const content = node.isTextblock ? node.content : Fragment.from(node.children.map(inner));
    return node.type.create({ ...(was?.attrs ?? node.attrs), ...said(node, as) }, content, node.marks);
  };
  const blocks = doc.children.map((block, n) => {
    const old = of.get(n);
    const own = isKnown(block) ? block : inner(block);
    // What the signs say holds; the rest is as it was.
    return old?.type === block.type ? own.type.create({ ...old.attrs, ...said(block, as) }, own.content, own.marks) : own;
  });
  return schema.node('doc', null, blocks);
}

/** The attributes of a block that its markup says. */
const said = (node: PostNode, as: Markup): Record<string, unknown> =>
  Object.fromEntries((kindOf(node)?.said?.[as] ?? []).map((name) => [name, node.attrs[name] as unknown]));

const HELD = new Set(
  'html head body p h1 h2 h3 h4 h5 h6 ul ol li blockquote pre code a em i strong b del s mark aside q br hr picture source img figure figcaption small track table thead tbody tfoot tr th td'.split(
    ' ',
  ),
);

// A player is held when it says where its clip is.
const isHeld = (node: Element) => HELD.has(node.tagName) || (PLAYERS.has(node.tagName) && !!figureOfPlayer(node));

/** The elements of HTML the page has no place for, each named once, and comments. */
function leftOfHtml(text: string): string[] {
  const found = new Set<string>();
  const walk = (node: HastNodes): void => {
    if (node.type === 'comment') found.add('a comment');
    if (node.type === 'element' && !isHeld(node)) found.add(`<${node.tagName}>`);
    if ('children' in node) for (const child of node.children) walk(child);
  };
  walk(fromHtml(text, { fragment: true }));
  return [...found];
}

const LEFT: Record<string, string> = { html: 'HTML', footnoteDefinition: 'a footnote as such', imageReference: 'a picture by reference' };

/** The kinds of Markdown the page has no place for, each named once. */
function leftOfMarkdown(text: string): string[] {
  const found = new Set<string>();
  const walk = (node: MdastNodes): void => {
    if (LEFT[node.type] && !(node.type === 'html' && isOwnTag(node.value))) found.add(LEFT[node.type]!);
    if ('children' in node) for (const child of node.children) walk(child);
  };
  walk(parseMarkdown(text));
  return [...found];
}

/** Where in the markup of a page a block begins. */
export function offsetOfBlock(doc: PostNode, as: Markup, block: number): number {
  if (block <= 0) return 0;
  const before = doc.copy(Fragment.from(doc.children.slice(0, block)));
  return toMarkup(before, as).trimEnd().length + (as === 'markdown' ? 2 : 1);
}

/** Which block of the page that a text makes an offset of it lies in. */
export function blockAtOffset(text: string, as: Markup, offset: number): number {
  const doc = readMarkup(text, as);
  if (!doc) return 0;
  let low = 0;
  let high = doc.childCount - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (offsetOfBlock(doc, as, middle) <= offset) low = middle;
    else high = middle - 1;
  }
  return low;
}
