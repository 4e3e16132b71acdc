import type { Element, ElementContent, Root as Hast } from 'hast';
import type { Blockquote, BlockContent, Paragraph, PhrasingContent, Root } from 'mdast';
import { toHast as mdastToHast, type Handlers } from 'mdast-util-to-hast';
import { defaultHandlers, toMdast as hastToMdast, type Handle } from 'hast-util-to-mdast';
import { toHtml } from 'hast-util-to-html';
import { fromHtml } from 'hast-util-from-html';
import { sanitize, defaultSchema } from 'hast-util-sanitize';
import { toString } from 'hast-util-to-string';
import { mdastToPost } from './mdast-to-post.ts';
import { element } from './element.ts';
import { ownFromHast, ownToHast } from './own-mdast.ts';
import { AUTHOR_SIGN, postToMdast } from './post-to-mdast.ts';
import type { PostNode } from './schema.ts';

// A lone picture becomes a figure; its title is the caption.
const handlers: Handlers = {
  ...ownToHast,
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
  paragraph(state, node: Paragraph): Element {
    const [only] = node.children;
    const link = only?.type === 'link' ? only : null;
    const picture = link?.children.length === 1 ? link.children[0] : only;
    if (node.children.length === 1 && picture?.type === 'image') {
      const img = element('img', [], { src: picture.url, alt: picture.alt ?? '' });
      const caption = picture.title ? [element('figcaption', [{ type: 'text', value: picture.title }])] : [];
      return element('figure', [link ? element('a', [img], { href: link.url }) : img, ...caption]);
    }
    return { type: 'element', tagName: 'p', properties: {}, children: state.all(node) };
  },
};

type State = Parameters<Handle>[0];

/** A quotation, with whose words they are as its last paragraph. */
function signed(state: State, quotation: Element, author: Element | undefined): Blockquote {
  const words = state.toFlow(state.all(quotation)) as BlockContent[];
  const name = author ? (state.all(author) as PhrasingContent[]) : [];
  const last: BlockContent[] = name.length ? [{ type: 'paragraph', children: [{ type: 'text', value: AUTHOR_SIGN }, ...name] }] : [];
  return { type: 'blockquote', children: [...words, ...last] };
}

const lettersOf = (node: Element | undefined): number => (node ? toString(node).replace(/\s+/g, '').length : 0);

/** A quotation with its author, or a picture with its caption; a figure that holds more gives all of it. */
const figure: Handle = (state, node) => {
  const find = (tagName: string, from: Element): Element | undefined => {
    for (const child of from.children) {
      if (child.type !== 'element') continue;
      const hit = child.tagName === tagName ? child : find(tagName, child);
      if (hit) return hit;
    }
    return undefined;
  };
  const [quotation, caption, img, link] = [find('blockquote', node), find('figcaption', node), find('img', node), find('a', node)];
  const holdsMore = lettersOf(node) > lettersOf(quotation) + lettersOf(caption);
  if (holdsMore) return state.all(node);
  if (quotation) return signed(state, quotation, caption);
  if (!img) return state.all(node);
  const title = caption ? toString(caption).replace(/\s+/g, ' ').trim() : '';
  const { src, alt } = img.properties;
  const image: PhrasingContent = { type: 'image', url: String(src ?? ''), alt: String(alt ?? ''), title: title || null };
  const href = link && find('img', link) ? link.properties.href : undefined;
  return { type: 'paragraph', children: [href === undefined ? image : { type: 'link', url: String(href), children: [image] }] };
};

/** What a table is called stands before it. */
const table: Handle = (state, node) => {
  const isCaption = (child: ElementContent) => child.type === 'element' && child.tagName === 'caption';
  const captions = node.children.filter(isCaption) as Element[];
  const rest = { ...node, children: node.children.filter((child) => !isCaption(child)) };
  return [
    ...captions.map((caption) => ({ type: 'paragraph' as const, children: state.all(caption) as PhrasingContent[] })),
    ...[defaultHandlers.table(state, rest)].flat(),
  ];
};

/** The post as an HTML tree: the only way from a page to HTML. */
export function postToHast(doc: PostNode): Hast {
  return mdastToHast(postToMdast(doc) as Root, { handlers }) as Hast;
}

/** The post as clean HTML: the body only, a line a block, no classes, no styles. */
export function postToHtml(doc: PostNode): string {
  return toHtml(postToHast(doc), { closeSelfClosing: false, characterReferences: { useNamedReferences: true } });
}

const SAFE = {
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
  ],
  // Our own marks on copied blocks are data attributes; they are checked again where they are read.
  attributes: { ...defaultSchema.attributes, '*': [...(defaultSchema.attributes?.['*'] ?? []), 'data*'] },
  strip: ['script', 'style', 'template', 'title'],
  clobberPrefix: '',
};

/** HTML from outside without anything that runs or only decorates; words are kept. */
export function cleanHtml(html: string): string {
  return toHtml(sanitize(fromHtml(html, { fragment: true }), SAFE));
}

/** HTML as a post without ids: scripts, styles and unknown elements are dropped, their words kept. */
export function postFromHtml(html: string): PostNode {
  return postFromHast(fromHtml(html, { fragment: true }));
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
      handlers: { figure, table, caption: (state, node) => state.all(node), ...ownFromHast },
    }) as Root,
  );
}
