import type { Element, ElementContent, Root as Hast } from 'hast';
import type { Paragraph, Root } from 'mdast';
import { toHast as mdastToHast, type Handlers } from 'mdast-util-to-hast';
import { toMdast as hastToMdast, type Handle } from 'hast-util-to-mdast';
import { toHtml } from 'hast-util-to-html';
import { fromHtml } from 'hast-util-from-html';
import { sanitize, defaultSchema } from 'hast-util-sanitize';
import { toString } from 'hast-util-to-string';
import { mdastToPost } from './mdast-to-post.ts';
import { postToMdast } from './post-to-mdast.ts';
import type { PostNode } from './schema.ts';

// A lone picture becomes a figure; its title is the caption.
const handlers: Handlers = {
  paragraph(state, node: Paragraph): Element {
    const [only] = node.children;
    if (node.children.length === 1 && only?.type === 'image') {
      const img: Element = { type: 'element', tagName: 'img', properties: { src: only.url, alt: only.alt ?? '' }, children: [] };
      const caption: ElementContent[] = only.title
        ? [{ type: 'element', tagName: 'figcaption', properties: {}, children: [{ type: 'text', value: only.title }] }]
        : [];
      return { type: 'element', tagName: 'figure', properties: {}, children: [img, ...caption] };
    }
    return { type: 'element', tagName: 'p', properties: {}, children: state.all(node) };
  },
};

const figure: Handle = (state, node) => {
  const find = (tagName: string, from: Element): Element | undefined => {
    for (const child of from.children) {
      if (child.type !== 'element') continue;
      const hit = child.tagName === tagName ? child : find(tagName, child);
      if (hit) return hit;
    }
    return undefined;
  };
  const img = find('img', node);
  if (!img) return state.all(node);
  const caption = find('figcaption', node);
  const title = caption ? toString(caption).replace(/\s+/g, ' ').trim() : '';
  const { src, alt } = img.properties;
  return { type: 'paragraph', children: [{ type: 'image', url: String(src ?? ''), alt: String(alt ?? ''), title: title || null }] };
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
  tagNames: [...(defaultSchema.tagNames ?? []), 'figure', 'figcaption'],
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

/** An HTML tree as a post without ids, made safe first like `postFromHtml`. */
export function postFromHast(tree: Hast): PostNode {
  return mdastToPost(hastToMdast(sanitize(tree, SAFE), { handlers: { figure } }) as Root);
}
