import { fromHtml } from 'hast-util-from-html';
import type { Element, Nodes } from 'hast';
import { isSafeAddress } from '../post/address.ts';

/** What a host says of a clip: the frame that plays it, and what it is called. */
export type HostedClip = {
  player: string;
  title: string;
  author: string;
  provider: string;
  width: number;
  height: number;
  /** The address of the host's own still; empty when it has none. */
  still: string;
};

/** Every element of a tree that fits, in order. */
function elements(tree: Nodes, fits: (element: Element) => boolean): Element[] {
  if (!('children' in tree)) return [];
  return tree.children.flatMap((child) => (child.type === 'element' ? [...(fits(child) ? [child] : []), ...elements(child, fits)] : []));
}

const list = (value: unknown): string[] => [value].flat().map((v) => String(v ?? '').toLowerCase());

/**
 * Where a page says that an oEmbed description of it stands (oEmbed 1.0, section 4: a link element of the type
 * application/json+oembed); null when it says none.
 * @param page the address of the page, against which the other is read
 */
export function oembedAddress(html: string, page: string): string | null {
  const found = elements(
    fromHtml(html),
    ({ tagName, properties: p }) =>
      tagName === 'link' &&
      list(p.rel).some((rel) => rel === 'alternate' || rel === 'alternative') &&
      list(p.type)[0] === 'application/json+oembed',
  );
  const href = found[0]?.properties.href;
  return typeof href === 'string' ? webAddress(href, page) : null;
}

/**
 * What an oEmbed answer says (oEmbed 1.0, section 2.3.4). Of the `html` of a video or rich answer only the address of its
 * frame is read. Null when it holds no clip.
 */
export function readOembed(answer: unknown, page: string): HostedClip | null {
  const said = (answer ?? {}) as Record<string, unknown>;
  if (said.type !== 'video' && said.type !== 'rich') return null;
  const frame =
    typeof said.html === 'string' ? elements(fromHtml(said.html, { fragment: true }), (e) => e.tagName === 'iframe')[0] : undefined;
  const player = typeof frame?.properties.src === 'string' ? webAddress(frame.properties.src, page) : null;
  if (!player) return null;
  const text = (name: string) => (typeof said[name] === 'string' ? said[name].trim().slice(0, 300) : '');
  const pixels = (name: string) => (Number.isFinite(Number(said[name])) ? Math.max(0, Math.min(4000, Math.round(Number(said[name])))) : 0);
  return {
    player,
    ...{ title: text('title'), author: text('author_name'), provider: text('provider_name') },
    ...{ width: pixels('width'), height: pixels('height'), still: webAddress(text('thumbnail_url'), page) ?? '' },
  };
}

/** An address in full; null when it leads nowhere on the web. */
function webAddress(address: string, base: string): string | null {
  if (!address) return null;
  const given = address.startsWith('//') ? `https:${address}` : address;
  const full = /^[a-z][a-z0-9+.-]*:/i.test(given) ? given : joined(base, given);
  return isSafeAddress(full) && /^https?:\/\/[^/]/i.test(full) ? full : null;
}

// The core knows no URL class: addresses beside a page are joined by hand, as far as RFC 3986, 5.2 needs it here.
function joined(base: string, path: string): string {
  const [, origin = '', rest = '/'] = /^(https?:\/\/[^/?#]+)([^?#]*)/i.exec(base) ?? [];
  return path.startsWith('/') ? `${origin}${path}` : `${origin}${rest.replace(/[^/]*$/, '') || '/'}${path}`;
}

const PLAYERS = new Set(['iframe', 'video', 'audio', 'source', 'embed', 'object', 'blockquote', 'a']);

/** The address that pasted embed code is about: of its frame, its media file, or the link in it. Null when it has none, or is no code. */
export function addressInCode(code: string): string | null {
  if (!/<[a-z]/i.test(code)) return null;
  for (const { tagName, properties: p } of elements(fromHtml(code, { fragment: true }), (e) => PLAYERS.has(e.tagName))) {
    const said = tagName === 'object' ? p.data : tagName === 'blockquote' ? p.cite : tagName === 'a' ? p.href : p.src;
    const address = typeof said === 'string' ? webAddress(said, '') : null;
    if (address) return address;
  }
  return null;
}
