import type { Element, ElementContent, Root as Hast } from 'hast';
import type { Root } from 'mdast';
import { toHast as mdastToHast } from 'mdast-util-to-hast';
import { toMdast as hastToMdast, type Handle } from 'hast-util-to-mdast';
import { toHtml } from 'hast-util-to-html';
import { fromHtml } from 'hast-util-from-html';
import { sanitize, defaultSchema, type Schema } from 'hast-util-sanitize';
import { toString } from 'hast-util-to-string';
import { mdastToPost } from './mdast-to-post.ts';
import { signed } from './blocks/blockquote.ts';
import { clipOfFigure, figureOfPlayer } from './blocks/clip.ts';
import { ofKinds } from './blocks/index.ts';
import { pictureOfFigure } from './blocks/picture.ts';
import { rowOfFigure } from './blocks/picture-row.ts';
import type { Dress } from './dress.ts';
import { elementIn } from './element.ts';
import { highlight } from './highlight.ts';
import { markPaidLinks } from './paid-links.ts';
import { FIGURE_CLASSES } from './placement.ts';
import { postToMdast } from './post-to-mdast.ts';
import type { PostNode } from './schema.ts';

const toHast = { ...ofKinds('toHast'), ...highlight.toHast };

const lettersOf = (node: Element | undefined): number => (node ? toString(node).replace(/\s+/g, '').length : 0);

/** A clip, a row, a quotation with its author, or a picture with its caption; a figure that holds more gives all of it. */
const figure: Handle = (state, node) => {
  const own = clipOfFigure(node) ?? rowOfFigure(node);
  if (own) return own;
  const [quotation, caption] = [elementIn(node, 'blockquote'), elementIn(node, 'figcaption')];
  const holdsMore = lettersOf(node) > lettersOf(quotation) + lettersOf(caption);
  if (holdsMore) return state.all(node);
  if (quotation) return signed(state, quotation, caption);
  return pictureOfFigure(node) ?? state.all(node);
};

/** The post as an HTML tree, its pictures and clips dressed for the place it goes to: the only way from a page to HTML. */
export function postToHast(doc: PostNode, dress: Dress = {}): Hast {
  const tree = mdastToHast(postToMdast(doc, dress) as Root, { handlers: toHast }) as Hast;
  if (dress.paid?.length) markPaidLinks(tree, dress.paid);
  return tree;
}

/** The post as clean HTML: the body only, a line a block, no styles, no classes but those that place a figure. */
export function postToHtml(doc: PostNode, dress: Dress = {}): string {
  return toHtml(postToHast(doc, dress), { closeSelfClosing: false, characterReferences: { useNamedReferences: true } });
}

const SAFE: Schema = {
  ...defaultSchema,
  // The brackets around a reading aloud (rp) would be hidden, with all that stands in them.
  tagNames: [
    ...(defaultSchema.tagNames ?? []).filter((name) => name !== 'rp'),
    'figure',
    'figcaption',
    'caption',
    'aside',
    'footer',
    'mark',
    'small',
  ],
  // Our own marks on copied blocks are data attributes; they are checked again where they are read.
  attributes: {
    ...defaultSchema.attributes,
    '*': [...(defaultSchema.attributes?.['*'] ?? []), 'data*'],
    figure: [['className', ...FIGURE_CLASSES]],
    small: [['className', 'credit']],
  },
  strip: ['script', 'style', 'template', 'title'],
  clobberPrefix: '',
};

/** HTML from outside without anything that runs or only decorates; words are kept. */
export function cleanHtml(html: string): string {
  return toHtml(sanitize(fromHtml(html, { fragment: true }), SAFE));
}

/** HTML as a post without ids: scripts, styles and unknown elements are dropped, their words kept. */
export function postFromHtml(html: string): PostNode {
  return postFromHast(playersAsClips(fromHtml(html, { fragment: true })));
}

/** The elements that play something. */
export const PLAYERS = new Set(['iframe', 'video', 'audio', 'embed', 'object']);

/** A tree with all that plays something made a clip of its address: a frame never comes onto the page. */
export function playersAsClips(tree: Hast): Hast {
  const made = <T extends Hast | Element>(node: T): T => ({
    ...node,
    children: (node.children as ElementContent[]).flatMap((child): ElementContent[] => {
      if (child.type !== 'element') return [child];
      if (!PLAYERS.has(child.tagName)) return [made(child)];
      const clip = figureOfPlayer(child);
      return [clip ?? made(child)];
    }),
  });
  return made(tree);
}

// Of a drawing or a formula a page has no place for the words stay; what stands in them is no HTML.
function spelled(tree: Hast): Hast {
  const spell = <T extends Hast | Element>(node: T): T => ({
    ...node,
    children: (node.children as ElementContent[]).map((child): ElementContent => {
      if (child.type !== 'element') return child;
      return child.tagName === 'svg' || child.tagName === 'math' ? { type: 'text', value: ` ${toString(child)} ` } : spell(child);
    }),
  });
  return spell(tree);
}

/** An HTML tree as a post without ids, made safe first like `postFromHtml`. */
export function postFromHast(tree: Hast): PostNode {
  return mdastToPost(
    hastToMdast(sanitize(spelled(tree), SAFE), {
      handlers: { ...ofKinds('fromHast'), ...highlight.fromHast, figure },
    }) as Root,
  );
}
