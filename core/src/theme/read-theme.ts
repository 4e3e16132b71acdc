import { toString } from 'hast-util-to-string';
import { Complaint } from '../complaint.ts';
import { type Element, elementsOf, find, parseHtml, type Parent } from '../gather/index.ts';
import { type Around, CONTENT, type Theme } from './theme.ts';

/** A style sheet of a page: its rules, or the address where they stand. */
export type Sheet = { css: string } | { address: string };

/** What a page tells of the look of its posts: the theme without its rules, and the sheets in their order. */
export type ToldTheme = Omit<Theme, 'css'> & { sheets: Sheet[] };

/** Elements that may stand around a post; any other is named `div`. */
const MAY_STAND = new Set(['html', 'body', 'main', 'article', 'section', 'div', 'header']);

/**
 * Reads how a site shows its posts from the HTML of one of them. The words of a post stand in `e-content`
 * (microformats 2, h-entry), else in `article`, `main` or the body. Throws a Complaint where there is no page.
 */
export function readTheme(html: string, address: string): ToldTheme {
  // A part of a page has no sheets and nothing around its words.
  const isWhole = /<(?:html|body)[\s>]/i.test(html);
  const tree = parseHtml(html);
  if (!isWhole || !toString(tree).trim())
    throw new Complaint('There is no page at this address: give the address of a post of this outlet.');
  const path =
    pathTo(tree, (node) => classesOf(node).includes(CONTENT)) ??
    pathTo(tree, ({ tagName }) => tagName === 'article') ??
    pathTo(tree, ({ tagName }) => tagName === 'main') ??
    pathTo(tree, ({ tagName }) => tagName === 'body')!;
  // The title stands beside the words: in the innermost element that holds both.
  const inside = path.findLastIndex((node) => find(node, ({ tagName }) => tagName === 'h1'));
  const heading = inside < 0 ? undefined : find(path[inside]!, ({ tagName }) => tagName === 'h1');
  const isWithin = !heading || inside < path.length - 1 || !classesOf(path.at(-1)!).includes(CONTENT);
  return {
    around: path.map(told),
    title: { inside: heading && isWithin ? inside : Math.max(1, path.length - 2), classes: heading ? classesOf(heading) : [] },
    sheets: sheetsIn(tree, address),
  };
}

const classesOf = ({ properties }: Element): string[] => [properties.className ?? []].flat().map(String);

function told(node: Element): Around {
  const { tagName, properties } = node;
  return {
    tag: MAY_STAND.has(tagName) ? tagName : 'div',
    id: String(properties.id ?? ''),
    classes: classesOf(node),
    lang: String(properties.lang ?? ''),
  };
}

/** The elements from a node down to the first that fits, in document order. */
function pathTo(parent: Parent, fits: (node: Element) => boolean): Element[] | undefined {
  for (const child of elementsOf(parent)) {
    if (fits(child)) return [child];
    const further = pathTo(child, fits);
    if (further) return [child, ...further];
  }
  return undefined;
}

/** The style sheets of a page that are for screens, in their order. */
function sheetsIn(parent: Parent, address: string): Sheet[] {
  return elementsOf(parent).flatMap((node): Sheet[] => {
    const { tagName, properties } = node;
    const media = String(properties.media ?? '');
    if (/^\s*(?:print|speech)\s*$/i.test(media)) return [];
    if (tagName === 'style') return [{ css: toString(node) }];
    const isSheet = tagName === 'link' && [properties.rel ?? []].flat().join(' ').toLowerCase() === 'stylesheet';
    const href = String(properties.href ?? '');
    if (isSheet && URL.canParse(href, address)) return [{ address: new URL(href, address).href }];
    return sheetsIn(node, address);
  });
}

const NAMED = /@import\s+(?:url\(\s*)?["']?([^"')\s]+)["']?\s*\)?[^;]*;/gi;
const PLACE = /url\(\s*(["']?)([^"')]*)\1\s*\)/gi;
const FONT = /\.(?:woff2?|ttf|otf)(?:[?#]|$)/i;

/** The addresses of sheets that a sheet takes in itself, and of the fonts it shows words in. */
export function namedIn(css: string, address: string): { sheets: string[]; fonts: string[] } {
  const whole = (href: string) => (URL.canParse(href, address) && !href.startsWith('data:') ? [new URL(href, address).href] : []);
  return {
    sheets: [...css.matchAll(NAMED)].flatMap((m) => whole(m[1]!)),
    fonts: [...css.replace(NAMED, '').matchAll(PLACE)].flatMap((m) => (FONT.test(m[2]!) ? whole(m[2]!) : [])),
  };
}

/** A sheet that stands by itself: fonts as they were fetched (by address), nothing else asked for from anywhere. */
export function sheetAlone(css: string, address: string, fonts: ReadonlyMap<string, string>): string {
  return css.replace(NAMED, '').replace(PLACE, (all: string, _quote: string, href: string) => {
    if (href.startsWith('data:') || href.startsWith('#')) return all;
    const font = URL.canParse(href, address) ? fonts.get(new URL(href, address).href) : undefined;
    return font ? `url("${font}")` : 'url("data:,")';
  });
}
