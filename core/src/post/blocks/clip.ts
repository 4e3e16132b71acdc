import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { toString } from 'hast-util-to-string';
import type { BlockContent, Nodes, Parent, PhrasingContent } from 'mdast';
import { isSafeAddress } from '../address.ts';
import { address, addressOrNone, attrsOfDOM, attrsToDOM, type ElementLike, ID } from '../attributes.ts';
import type { DressedClip, DressedPicture } from '../dress.ts';
import { element, elementIn } from '../element.ts';
import { stretchOf, withStretch, withoutStretch } from '../media-fragment.ts';
import type { Node as PostNode } from 'prosemirror-model';
import type { BlockKind } from './kind.ts';
import { classesOf } from './picture.ts';

/** A clip on a page: the address of a media file, or of a page that shows it, and how it is played. */
export type ClipAttrs = {
  id: string;
  address: string;
  title: string;
  caption: string;
  /** Seconds; an `end` of 0 is that of the recording. */
  start: number;
  end: number;
  /** That nothing of it is loaded before the reader presses play. */
  isPrivate: boolean;
  hasControls: boolean;
  /** The still that stands there until then, named as a picture is. */
  poster: string;
};

type Attrs = Omit<ClipAttrs, 'id'>;

/** A clip as a node of the tree: a link to it, with what stands under it. */
export interface Clip extends Parent {
  type: 'clip';
  attrs: Attrs;
  dressed: DressedClip | null;
  still: DressedPicture | null;
  /** Whether the page stays in the house, where no frame is opened unasked. */
  isHere: boolean;
  children: BlockContent[];
}

declare module 'mdast' {
  interface BlockContentMap {
    clip: Clip;
  }
  interface RootContentMap {
    clip: Clip;
  }
}

const seconds = (value: unknown) => {
  if (typeof value !== 'number' || !(value >= 0 && value < 1e6)) throw new RangeError('a time is some seconds');
};
const words = (value: unknown) => (typeof value === 'string' ? value : '');

function fitted(attrs: Record<string, unknown>): Record<string, unknown> {
  const { address: at, poster = '', start = 0, end = 0 } = attrs;
  address(at);
  addressOrNone(poster);
  seconds(start);
  seconds(end);
  return {
    ...{ address: at, poster, start, end, title: words(attrs.title), caption: words(attrs.caption) },
    ...{ isPrivate: attrs.isPrivate !== false, hasControls: attrs.hasControls !== false },
  };
}

/** What a clip is called. */
export const clipName = ({ title, address }: Pick<Attrs, 'title' | 'address'>): string => title || address;

/** The attributes of a clip from an address alone; a stretch named there counts. */
export const clipAttrsOf = (at: string): Pick<Attrs, 'address' | 'start' | 'end'> => ({ address: withoutStretch(at), ...stretchOf(at) });

/** The clip as it is written without anything known of it: a link to it, and what stands under it. */
function linkOf({ attrs }: Clip): BlockContent[] {
  const link: PhrasingContent = {
    type: 'link',
    url: withStretch(attrs.address, attrs),
    children: [{ type: 'text', value: clipName(attrs) }],
  };
  const under: BlockContent[] = attrs.caption ? [{ type: 'paragraph', children: [{ type: 'text', value: attrs.caption }] }] : [];
  return [{ type: 'paragraph', children: [link] }, ...under];
}

/** Where the largest file of a still is. */
const largestOf = ({ files, fallback }: DressedPicture): string => files.at(-1)?.address ?? fallback;

function playerOf({ attrs, dressed, still, isHere }: Clip): Element {
  const { kind, captions, width, height } = dressed!;
  const at = withStretch(dressed!.address, attrs);
  const name = clipName(attrs);
  if (kind === 'frame') {
    const around = { title: name, width: width || 720, height: height || 405, loading: 'lazy', allowFullScreen: true };
    const sandbox = ['allow-scripts', 'allow-presentation', 'allow-popups'];
    // Until the reader presses play the frame holds a link and a still of our own: nothing of the host is loaded. And it stays
    // without an origin, so that the host can store nothing either.
    return attrs.isPrivate || isHere
      ? element('iframe', [], { ...around, srcDoc: coverOf(at, name, still), sandbox })
      : element('iframe', [], { ...around, src: at, sandbox: [...sandbox, 'allow-same-origin'] });
  }
  const track = captions
    ? [element('track', [], { kind: 'captions', src: captions, srcLang: 'en', label: 'Captions', default: true })]
    : [];
  const media = { src: at, title: name, controls: attrs.hasControls, preload: attrs.isPrivate ? 'none' : 'metadata' };
  if (kind === 'audio') return element('audio', track, media);
  const poster = still ? { poster: largestOf(still) } : {};
  return element('video', track, { ...media, ...poster, playsInline: true, ...(width ? { width, height } : {}) });
}

// A page of its own inside the frame, in which the link opens the player; it runs no script.
const COVER_STYLE =
  'html,body,a{margin:0;height:100%;display:grid;place-items:center;background:#1a1a17;font:600 17px/1.4 sans-serif}' +
  'img{grid-area:1/1;width:100%;height:100%;object-fit:cover;min-height:0}' +
  'span{grid-area:1/1;z-index:1;padding:.6em 1.1em;border-radius:3px;background:#fffdf7;color:#1a1a17}a:focus span{outline:3px solid #fffdf7;outline-offset:3px}';

function coverOf(at: string, name: string, still: DressedPicture | null): string {
  const play = element('span', [{ type: 'text', value: `Play: ${name}` }]);
  const link = element(
    'a',
    [...(still ? [element('img', [], { src: largestOf(still), alt: '', width: still.width, height: still.height })] : []), play],
    { href: at, referrerPolicy: 'no-referrer' },
  );
  return toHtml([element('style', [{ type: 'text', value: COVER_STYLE }]), link]);
}

/** A clip as a figure: its player where it is known, else a link to it. */
function figureOf(clip: Clip): Element {
  const { attrs, dressed } = clip;
  const link = element('a', [{ type: 'text', value: clipName(attrs) }], { href: withStretch(attrs.address, attrs) });
  const under = attrs.caption ? [element('figcaption', [{ type: 'text', value: attrs.caption }])] : [];
  return element('figure', [dressed ? playerOf(clip) : link, ...under], { className: ['clip'] });
}

const inTree = (attrs: Partial<Attrs> & { address: string }): Clip => ({
  type: 'clip',
  attrs: { title: '', caption: '', start: 0, end: 0, isPrivate: true, hasControls: true, poster: '', ...attrs },
  dressed: null,
  still: null,
  isHere: false,
  children: [],
});

/** The clip that a figure is; null when it is none. */
export function clipOfFigure(node: Element): Clip | null {
  if (!classesOf(node).includes('clip')) return null;
  const link = elementIn(node, 'a');
  const at = String(link?.properties.href ?? '');
  if (!link || !at) return null;
  const caption = elementIn(node, 'figcaption');
  return inTree({ ...clipAttrsOf(at), title: titled(toString(link), at), caption: caption ? toString(caption).trim() : '' });
}

const titled = (name: string, at: string) => (name.trim() === withoutStretch(at) ? '' : name.trim());

/** The clip that Markdown between `<figure>` tags is: a link alone, then what stands under it. Null when it is none. */
export function clipOfParts([first, ...rest]: readonly Nodes[]): Clip | null {
  const [link, ...more] = first?.type === 'paragraph' ? first.children : [];
  if (link?.type !== 'link' || more.length) return null;
  const text = (node: Nodes): string => ('value' in node ? node.value : 'children' in node ? node.children.map(text).join('') : '');
  const caption = rest.map(text).join(' ').trim();
  return inTree({ ...clipAttrsOf(link.url), title: titled(text(link), link.url), caption });
}

/** An element that plays something, as the figure of a clip; null when it names no address. */
export function figureOfPlayer(node: Element): Element | null {
  const source = node.properties.src ?? node.properties.data ?? elementIn(node, 'source')?.properties.src;
  if (typeof source !== 'string' || !isSafeAddress(source)) return null;
  const at = source.startsWith('//') ? `https:${source}` : source;
  if (!/^(?:https?:|\/)/i.test(at)) return null;
  const link = element('a', [{ type: 'text', value: String(node.properties.title ?? '') || withoutStretch(at) }], { href: at });
  return element('figure', [link], { className: ['clip'] });
}

/** A clip in the tree as a block of the page; what leads nowhere safe is its words alone. */
function clipNode({ attrs }: Clip, { nodes, text }: Parameters<NonNullable<BlockKind['fromMdast']>[string]>[1]): PostNode[] {
  if (isSafeAddress(attrs.address)) return [nodes.clip!.create(attrs)];
  return attrs.title ? [nodes.paragraph!.create(null, text(attrs.title))] : [];
}

export const clip: BlockKind = {
  spec: {
    group: 'block',
    draggable: true,
    attrs: {
      ...ID,
      address: { validate: address },
      title: { default: '', validate: 'string' },
      caption: { default: '', validate: 'string' },
      start: { default: 0, validate: seconds },
      end: { default: 0, validate: seconds },
      isPrivate: { default: true, validate: 'boolean' },
      hasControls: { default: true, validate: 'boolean' },
      poster: { default: '', validate: addressOrNone },
    },
    parseDOM: [
      {
        tag: 'figure[data-clip]',
        priority: 60,
        getAttrs: (dom: ElementLike) => attrsOfDOM(dom.getAttribute('data-clip')!, fitted),
      },
    ],
    // On the page a clip is its still and its name: the page never holds a frame.
    toDOM: (node) => {
      const attrs = node.attrs as ClipAttrs;
      return [
        'figure',
        { ...attrsToDOM('clip', node), class: 'clip' },
        ...(attrs.poster ? [['img', { src: attrs.poster, alt: '' }] as const] : []),
        ['div', { class: 'clip-name' }, clipName(attrs)],
        ...(attrs.caption ? [['figcaption', attrs.caption] as const] : []),
      ];
    },
  },
  toMdast(node, { dress }) {
    const attrs = node.attrs as ClipAttrs;
    return {
      ...inTree(attrs),
      dressed: dress.clip?.(attrs.address) ?? null,
      isHere: dress.isHere ?? false,
      still: attrs.poster ? (dress.picture?.(attrs.poster, 'whole') ?? null) : null,
    };
  },
  fromMdast: { clip: (node: Clip, read) => clipNode(node, read) },
  toMarkdown: {
    clip: (node: Clip, _, state, info) => {
      const parts = { type: 'root' as const, children: linkOf(node) };
      return `<figure>\n\n${state.containerFlow(parts, info)}\n\n</figure>`;
    },
  },
  toHast: { clip: (_, node: Clip) => figureOf(node) },
  said: { markdown: ['address', 'title', 'caption', 'start', 'end'], html: ['address', 'title', 'caption', 'start', 'end'] },
  textOf: ({ attrs }) => (attrs as ClipAttrs).caption || clipName(attrs as ClipAttrs),
  files: { address: 'whole', poster: 'part' },
};
