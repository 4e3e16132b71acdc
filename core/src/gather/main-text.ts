import { toString } from 'hast-util-to-string';
import { element } from '../post/element.ts';
import { find, findAll, isElement, namesOf, rewrite, styleOf, type Element, type Parent, type Root } from './hast.ts';

const NEVER = new Set([
  'nav',
  'dialog',
  'menu',
  'button',
  'select',
  'input',
  'textarea',
  'iframe',
  'noscript',
  'template',
  'script',
  'style',
]);
const ROLES = new Set(['navigation', 'search', 'dialog', 'alertdialog', 'menu', 'menubar', 'toolbar']);
const AROUND_NAMES =
  /(?:^|[\s_-])(?:nav\w*|docnav|menu|sidebar|footer|masthead|(?:page|site|top|main)-?header|breadcrumbs?|share|sharing|social|related|promo|cookies?|advert|ads?|banner|newsletter|subscribe|pagination|pager|skip|toolbar|widget|toc|table-?of-?contents|languages?|search)(?:$|[\s_-])/i;
const COMMENTS = /(?:^|[\s_-])(?:comments|comment-?list|comments?-?area|respond|replies)(?:$|[\s_-])/i;
const STEPS = /\b(?:prev(?:ious)?|next|up|home|top|back|index|contents|newer|older)\b/i;
const STEP = /^\W*(?:prev(?:ious)?|next|up|home|top|back|index|(?:table of )?contents|newer|older)(?: (?:page|post|chapter|section))?\W*$/i;
const RIGHTS = /©|\(c\)|\bcopyright\b|all rights reserved|privacy policy|\bcookies?\b/i;
const BOX = /^(?:div|section|ul|ol|dl|table|header|footer|aside|p|form|center|td|tr|tbody|small|address|blockquote|fieldset|span)$/;
const WORDS = /^(?:p|span|small|blockquote)$/;
const INLINE = /^(?:a|abbr|b|cite|code|del|dfn|em|font|i|ins|kbd|mark|q|s|samp|small|span|strong|sub|sup|time|tt|u|var)$/;

// What has so many of its letters in links is a list of ways elsewhere.
const LINKS = 0.6;
// A part named after what stands around a text is that when it is short, or has so many links.
const NAMED_LINKS = 0.25;
const SHORT = 300;
const FEWEST = 30;
// What holds so much of a page is its text, whatever it is called.
const MOST = 0.5;
// A paragraph of so many letters that are no links is text.
const PROSE = 90;

/** How many letters a node has, and how many of them are in links. */
type Letters = { all: number; linked: number; links: number };

/** An element of a page: its letters, how many of them are links, and whether it stands above the first paragraph or below the last. */
type Part = Letters & { node: Element; share: number; isAbove: boolean; isBelow: boolean };

/** What tells that a part stands around the text, not in it. */
const AROUND: ((part: Part) => boolean)[] = [
  ({ node }) => NEVER.has(node.tagName) || ROLES.has(String(node.properties.role ?? '')),
  ({ node }) => BOX.test(node.tagName) && COMMENTS.test(namesOf(node)),
  ({ node, share, all, isAbove, isBelow }) =>
    BOX.test(node.tagName) &&
    // Words inside the text may be named so too: what a program calls its menu.
    (!WORDS.test(node.tagName) || isAbove || isBelow) &&
    AROUND_NAMES.test(namesOf(node)) &&
    (share > NAMED_LINKS || all < SHORT),
  ({ node, share, all }) => node.tagName === 'footer' && (share > NAMED_LINKS || all < SHORT || RIGHTS.test(toString(node))),
  ({ node, share }) => node.tagName === 'header' && share > NAMED_LINKS,
  ({ node, share, links, all, isAbove, isBelow }) =>
    node.tagName === 'aside' && (share > NAMED_LINKS || links > 3 || (all < FEWEST && (isAbove || isBelow))),
  // The ways to the page before and the page after.
  ({ node, all, isAbove, isBelow }) => node.tagName === 'a' && all < FEWEST && (isAbove || isBelow) && STEP.test(toString(node).trim()),
  ({ node, all, links, share, isAbove, isBelow }) => {
    if (!BOX.test(node.tagName) || !links || all >= SHORT || !(isAbove || isBelow)) return false;
    const steps = findAll(node, (child) => child.tagName === 'a' && STEPS.test(toString(child))).length;
    return steps > 1 || (steps === 1 && share > NAMED_LINKS);
  },
  ({ node, all, isBelow }) => BOX.test(node.tagName) && isBelow && all < SHORT && RIGHTS.test(toString(node)),
  ({ node, links, share, isAbove, isBelow }) => BOX.test(node.tagName) && (isAbove || isBelow) && links >= 3 && share > LINKS,
];

/**
 * The main text of a whole page: what stands around it (menus, footers, boxes of contents, comments, words that are hidden) is
 * taken out of the tree. What the page itself names as its main text is gone by; an aside of the author stays. A fragment
 * without such parts comes back as it is.
 */
export function mainText(tree: Root): Parent {
  const body = bodyOf(tree);
  const title = find(body, isTitle);
  const main: Parent = named(body) ?? body;
  const letters = counting();
  const total = letters(main).all;
  const places = new Map(findAll(main, () => true).map((node, i) => [node, i]));
  const [first, last] = proseIn([...places.keys()], letters);
  rewrite(main, (node) => {
    const { all, linked, links } = letters(node);
    if (all > MOST * total) return [node];
    if (isHidden(node)) return [];
    if ((node.tagName !== 'aside' && find(node, isTitle)) || isPicture(node, all)) return [node];
    const at = places.get(node)!;
    const part = { node, all, linked, links, share: all ? linked / all : 1, isAbove: at < first, isBelow: at > last };
    return AROUND.some((tells) => tells(part)) ? [] : [node];
  });
  const isTitled = !title || main === body || find(main, (node) => node === title) || isHidden(title);
  return isTitled ? main : element('div', [title, main as Element]);
}

/** The body of a page; all of a fragment. */
export const bodyOf = (tree: Root): Parent => find(tree, (node) => node.tagName === 'body') ?? tree;

const isTitle = (node: Element): boolean => node.tagName === 'h1';

const isPicture = (node: Element, letters: number): boolean =>
  letters < 2 && !NEVER.has(node.tagName) && !!find({ type: 'root', children: [node] }, ({ tagName }) => tagName === 'img');

const isHidden = (node: Element): boolean =>
  node.properties.hidden === true ||
  node.properties.ariaHidden === 'true' ||
  /(?:^|;)\s*(?:display\s*:\s*none|visibility\s*:\s*hidden)/i.test(styleOf(node));

/** The element a page itself names as its main text: a lone article, or the main part. */
function named(body: Parent): Element | undefined {
  const main = find(body, (node) => node.tagName === 'main' || node.properties.role === 'main');
  const articles = findAll(main ?? body, (node) => node.tagName === 'article' && toString(node).trim().length > 200);
  return articles.length === 1 ? articles[0] : main;
}

function counting(): (node: Parent) => Letters {
  const known = new WeakMap<Parent, Letters>();
  return function count(node: Parent): Letters {
    const before = known.get(node);
    if (before) return before;
    const sum = { all: 0, linked: 0, links: 0 };
    for (const child of node.children) {
      if (child.type === 'text') sum.all += child.value.replace(/\s+/g, ' ').trim().length;
      else if (isElement(child) && !/^(?:script|style|noscript|template)$/.test(child.tagName)) {
        const inner = count(child);
        const isLink = child.tagName === 'a' && child.properties.href !== undefined;
        sum.all += inner.all;
        sum.linked += isLink ? inner.all : inner.linked;
        sum.links += inner.links + Number(isLink);
      }
    }
    known.set(node, sum);
    return sum;
  };
}

/** The places of the first and the last paragraph of text, counted in elements; of all when there is none. */
function proseIn(parts: readonly Element[], letters: (node: Parent) => Letters): [first: number, last: number] {
  let first = Infinity;
  let last = -1;
  parts.forEach((node, i) => {
    if (INLINE.test(node.tagName) || isHidden(node)) return;
    const inline = node.children.filter((child) => child.type === 'text' || (isElement(child) && INLINE.test(child.tagName)));
    const { all, linked } = letters({ ...node, children: inline });
    if (all - linked < PROSE) return;
    first = Math.min(first, i);
    last = i;
  });
  return [first === Infinity ? 0 : first, last < 0 ? Infinity : last];
}
