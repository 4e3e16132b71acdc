import type { Element } from 'hast';
import { toString } from 'hast-util-to-string';
import type { Node, PhrasingContent } from 'mdast';
import { address, addressOrNone, attrsOfDOM, attrsToDOM, type ElementLike, ID, oneOf } from '../attributes.ts';
import { isSafeAddress } from '../address.ts';
import type { DressedPicture } from '../dress.ts';
import { element, elementIn } from '../element.ts';
import { type Align, ALIGNS, isSize, placementClasses, placementOf, type Size, sizesOf, widthOf } from '../placement.ts';
import type { Node as PostNode } from 'prosemirror-model';
import type { BlockKind, Out } from './kind.ts';

/** A picture on a page; `src` names it (`/pictures/` and its id, or an address elsewhere), `href` is where a click on it leads, if anywhere. */
export type PictureAttrs = {
  id: string;
  src: string;
  alt: string;
  caption: string;
  href: string;
  title: string;
  /** The name of its file in words; empty for one made from the alternative text. */
  fileName: string;
  /** That it only adorns, and readers who cannot see it miss nothing. */
  isDecorative: boolean;
  size: Size;
  align: Align;
};

/** A picture as a node of the tree: in Markdown a paragraph of its own, whose title is the caption. */
export interface Picture extends Node {
  type: 'picture';
  attrs: Omit<PictureAttrs, 'id' | 'fileName'>;
  dressed: DressedPicture | null;
  /** How many stand in its row. */
  among: number;
}

declare module 'mdast' {
  interface BlockContentMap {
    picture: Picture;
  }
  interface RootContentMap {
    picture: Picture;
  }
}

const size = (value: unknown) => {
  if (!isSize(value)) throw new RangeError('a picture is small, medium, large, full or some pixels wide');
};

const words = (value: unknown) => (typeof value === 'string' ? value : '');

/** The attributes of a picture as far as they fit. Throws a RangeError when its address does not. */
function fitted(attrs: Record<string, unknown>): Record<string, unknown> {
  const { src, href = '', size, align } = attrs;
  address(src);
  addressOrNone(href);
  return {
    src,
    href,
    alt: words(attrs.alt),
    caption: words(attrs.caption),
    title: words(attrs.title),
    fileName: words(attrs.fileName),
    isDecorative: attrs.isDecorative === true,
    ...(isSize(size) ? { size } : {}),
    ...(ALIGNS.includes(align as Align) ? { align } : {}),
  };
}

/** The tree of a picture on the page, alone or among others in a row. */
export function pictureToMdast({ attrs }: PostNode, { dress }: Out, among = 1): Picture {
  const own = attrs as PictureAttrs;
  return { type: 'picture', attrs: own, dressed: dress.picture?.(own.src, among > 1 ? 'row' : 'whole') ?? null, among };
}

/** A picture as Markdown has it. */
export function imageOf({ attrs: { src, alt, caption, href } }: Picture): PhrasingContent {
  const image: PhrasingContent = { type: 'image', url: src, alt, title: caption || null };
  return href ? { type: 'link', url: href, children: [image] } : image;
}

function imgOf({ attrs, dressed, among }: Picture): Element {
  const { src, title, isDecorative } = attrs;
  const alt = isDecorative ? '' : attrs.alt;
  const named = title ? { title } : {};
  if (!dressed) {
    return element('img', [], { src, alt, ...named, ...(typeof attrs.size === 'number' ? { width: attrs.size } : {}) });
  }
  // Never shown larger than it is.
  const width = Math.min(among > 1 ? dressed.width : widthOf(attrs.size), dressed.width);
  const height = Math.round((width * dressed.height) / dressed.width);
  const img = element('img', [], { src: dressed.fallback, alt, ...named, width, height, loading: 'lazy', decoding: 'async' });
  if (!dressed.files.length) return img;
  const srcSet = dressed.files.map((file) => `${file.address} ${file.width}w`).join(', ');
  return element('picture', [element('source', [], { type: 'image/webp', srcSet, sizes: sizesOf(width, among) }), img]);
}

/** A picture as a figure. */
export function figureOf(picture: Picture): Element {
  const { attrs, dressed, among } = picture;
  const img = imgOf(picture);
  const credit = dressed?.credit ? [element('small', [{ type: 'text', value: dressed.credit }], { className: ['credit'] })] : [];
  const caption = attrs.caption ? [{ type: 'text' as const, value: credit.length ? `${attrs.caption} ` : attrs.caption }] : [];
  const under = [...caption, ...credit];
  const classes = among > 1 ? [] : placementClasses(attrs.size, attrs.align);
  // One that leads to itself in full leads to its largest file.
  const href = attrs.href === attrs.src && dressed ? (dressed.files.at(-1)?.address ?? dressed.fallback) : attrs.href;
  return element(
    'figure',
    [href ? element('a', [img], { href }) : img, ...(under.length ? [element('figcaption', under)] : [])],
    classes.length || attrs.isDecorative ? { className: [...classes, ...(attrs.isDecorative ? ['decorative'] : [])] } : {},
  );
}

/** The picture of a figure; null when it holds none. */
export function pictureOfFigure(node: Element): Picture | null {
  const img = elementIn(node, 'img');
  if (!img) return null;
  const caption = elementIn(node, 'figcaption');
  const link = elementIn(node, 'a');
  const { src, alt, title, width } = img.properties;
  const href = link && elementIn(link, 'img') ? link.properties.href : undefined;
  const classes = classesOf(node);
  return {
    type: 'picture',
    attrs: {
      src: String(src ?? ''),
      alt: String(alt ?? ''),
      caption: caption ? captionOf(caption) : '',
      href: String(href ?? ''),
      title: String(title ?? ''),
      isDecorative: classes.includes('decorative'),
      ...placementOf(classes, width),
    },
    dressed: null,
    among: 1,
  };
}

/** The classes of an element. */
export const classesOf = (node: Element): string[] =>
  Array.isArray(node.properties.className) ? node.properties.className.map(String) : [];

/** The words of a caption without the credit, which is written anew each time the page goes out. */
function captionOf(caption: Element): string {
  const own = caption.children.filter((child) => child.type !== 'element' || !classesOf(child).includes('credit'));
  return toString({ ...caption, children: own })
    .replace(/\s+/g, ' ')
    .trim();
}

/** A picture in the tree as a block of the page; what leads nowhere safe is its words alone. */
export function pictureNode(
  picture: Picture,
  { nodes, text }: Parameters<NonNullable<BlockKind['fromMdast']>[string]>[1],
): PostNode | null {
  const { src, alt, href } = picture.attrs;
  if (isSafeAddress(src)) return nodes.picture!.create({ ...picture.attrs, href: isSafeAddress(href) ? href : '' });
  return alt ? nodes.paragraph!.create(null, text(alt)) : null;
}

/** An image of Markdown as a picture: its title is the caption. */
export const pictureAttrsOf = (image: { alt?: string | null }, target: { url: string; title?: string | null }) => ({
  src: target.url,
  alt: image.alt ?? '',
  caption: target.title ?? '',
});

export const picture: BlockKind = {
  spec: {
    group: 'block',
    draggable: true,
    attrs: {
      ...ID,
      src: { validate: address },
      alt: { default: '', validate: 'string' },
      caption: { default: '', validate: 'string' },
      href: { default: '', validate: addressOrNone },
      title: { default: '', validate: 'string' },
      fileName: { default: '', validate: 'string' },
      isDecorative: { default: false, validate: 'boolean' },
      size: { default: 'large', validate: size },
      align: { default: 'centre', validate: oneOf(ALIGNS) },
    },
    parseDOM: [{ tag: 'figure[data-picture]', getAttrs: (dom: ElementLike) => attrsOfDOM(dom.getAttribute('data-picture')!, fitted) }],
    toDOM: (node) => {
      const { src, alt, caption, size, align } = node.attrs as PictureAttrs;
      return [
        'figure',
        { ...attrsToDOM('picture', node), class: placementClasses(size, align).join(' '), style: `--wide: ${widthOf(size)}px` },
        ['img', { src, alt }],
        ...(caption ? [['figcaption', caption] as const] : []),
      ];
    },
  },
  toMdast: (node, out) => pictureToMdast(node, out),
  fromMdast: {
    picture: (node: Picture, read) => [pictureNode(node, read)].filter((found) => found !== null),
  },
  toMarkdown: {
    picture: (node: Picture, parent, state, info) => state.handle({ type: 'paragraph', children: [imageOf(node)] }, parent, state, info),
  },
  toHast: { picture: (_, node: Picture) => figureOf(node) },
  said: { markdown: ['src', 'alt', 'caption', 'href'], html: ['src', 'alt', 'caption', 'href', 'title', 'isDecorative', 'size', 'align'] },
  textOf: ({ attrs }) => (attrs as PictureAttrs).caption || (attrs as PictureAttrs).alt || 'A picture',
  files: { src: 'whole' },
};
