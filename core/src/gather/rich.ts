import { toString } from 'hast-util-to-string';
import { isSafeAddress } from '../post/address.ts';
import type { Details } from '../post/details.ts';
import { postFromHast } from '../post/html.ts';
import { draftOf, plainWords } from './draft.ts';
import type { Gathered, GatheredPicture } from './format.ts';
import type { Reading } from './readings.ts';
import { find, findAll, namesOf, parseHtml, rewrite, type Element, type Parent, type Root } from './hast.ts';
import { bodyOf } from './main-text.ts';
import { cleanOffice } from './office.ts';
import { pictureAddress } from './picture-address.ts';
import { plainPassages } from './plain-text.ts';
import type { SourceKind } from './source.ts';

/** What a document says of itself, and the pictures that lie beside its HTML, by the address it gives them. */
export type Beside = { details?: Partial<Details>; pictures?: ReadonlyMap<string, GatheredPicture> };

/**
 * HTML, from a file, a paste or a document, as a draft: the main text only, office junk made structure, its
 * pictures taken out and kept in place. Read as plain words it is a source without a page.
 */
export const readRich = (kind: SourceKind, html: string, reading: Reading, beside: Beside = {}): Gathered =>
  readTree(kind, parseHtml(html), reading, beside);

/** The same, of HTML that is a tree already; the tree is changed. */
export function readTree(kind: SourceKind, tree: Root, reading: Reading, { details = {}, pictures: beside }: Beside = {}): Gathered {
  const stated = { ...titleOf(tree), ...details };
  const main = bodyOf(tree);
  spellNotes(main);
  cleanOffice(main);
  evenLevels(main);
  const pictures = takePictures(main, beside ?? new Map());
  const doc = postFromHast({ type: 'root', children: main.children as Element[] });
  if (reading === 'plain')
    return { source: { kind, passages: plainPassages(plainWords(doc)), ...(stated.title ? { title: stated.title } : {}) } };
  return { ...draftOf(kind, doc, stated), ...(pictures.length ? { pictures } : {}) };
}

const isHeading = (node: Element) => /^h[1-6]$/.test(node.tagName);
const isTitle = (node: Element) => node.tagName === 'h1' && /(?:^|\s)(?:title|MsoTitle)(?:\s|$)/.test(namesOf(node));

function titleOf(tree: Root): Partial<Details> {
  const title = find(tree, (node) => node.tagName === 'title');
  const heading = find(tree, (node) => node.tagName === 'h1');
  const said = toString(title ?? { type: 'root', children: [] })
    .replace(/\s+/g, ' ')
    .trim();
  // The title of a web page often carries the name of its site; its heading does not.
  const own = heading && toString(heading).replace(/\s+/g, ' ').trim();
  if (!said) return {};
  return { title: own && said.includes(own) ? own : said };
}

/** The first level belongs to the title: where a document heads its sections with it, every heading goes one down. */
function evenLevels(main: Parent): void {
  const tops = findAll(main, (node) => node.tagName === 'h1');
  const title = tops.find(isTitle);
  if (tops.length <= 1) return;
  rewrite(main, (node) => [
    isHeading(node) && node !== title ? { ...node, tagName: `h${Math.min(6, Number(node.tagName[1]) + 1)}` } : node,
  ]);
}

/** The number of a note, raised in the document, in brackets as Markdown's notes have it; the way back to it is left out. */
function spellNotes(main: Parent): void {
  rewrite(main, (node) => {
    if (node.tagName !== 'a' || !String(node.properties.href ?? '').startsWith('#')) return [node];
    const said = toString(node).trim();
    if (/^[↩↑^]\uFE0E?$/u.test(said)) return [];
    const number = /^\[?(\d{1,3}|[*†‡])\]?$/.exec(said)?.[1];
    return number ? [{ type: 'text', value: `[${number}]` }] : [node];
  });
}

const DATA = /^data:(image\/[a-z+.-]+);base64,([\s\S]+)$/i;

/**
 * Takes the pictures that came along out of a tree: those in it as data and those beside it. Each stands in the
 * page under the address `gathered/N` until it is kept; others keep theirs.
 */
function takePictures(main: Parent, beside: ReadonlyMap<string, GatheredPicture>): GatheredPicture[] {
  const pictures: GatheredPicture[] = [];
  rewrite(main, (node) => {
    if (node.tagName !== 'img') return [node];
    const src = String(node.properties.src ?? '');
    const alt = String(node.properties.alt ?? '');
    const data = DATA.exec(src);
    const found = beside.get(src) ?? (data ? { name: alt || 'picture', bytes: fromBase64(data[2]!) } : undefined);
    if (found) {
      pictures.push(found);
      return [{ ...node, properties: { src: pictureAddress(pictures.length - 1), alt } }];
    }
    if (isSafeAddress(src) && src) return [node];
    // One of the writer's own computer is known by its name from here on.
    const own = /^(?:file|cid):.*?([^/\\]+)$/i.exec(src)?.[1];
    return own ? [{ ...node, properties: { src: own, alt } }] : alt ? [{ type: 'text', value: alt }] : [];
  });
  return pictures;
}

const BASE64 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

function fromBase64(text: string): Uint8Array {
  const digits = Array.from(text.replace(/[^A-Za-z0-9+/]/g, ''), (letter) => BASE64.indexOf(letter));
  const bytes = new Uint8Array(Math.floor((digits.length * 3) / 4));
  for (let i = 0, at = 0; at < bytes.length; i += 4) {
    const bits = (digits[i]! << 18) | (digits[i + 1]! << 12) | ((digits[i + 2] ?? 0) << 6) | (digits[i + 3] ?? 0);
    for (let shift = 16; shift >= 0 && at < bytes.length; shift -= 8) bytes[at++] = (bits >> shift) & 255;
  }
  return bytes;
}
