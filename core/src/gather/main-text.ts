import { toString } from 'hast-util-to-string';
import { element } from '../post/element.ts';
import { find, findAll, isElement, namesOf, rewrite, type Element, type Parent, type Root } from './hast.ts';

const AROUND = new Set([
  'nav',
  'aside',
  'footer',
  'form',
  'dialog',
  'menu',
  'button',
  'select',
  'input',
  'textarea',
  'iframe',
  'svg',
  'noscript',
]);
const AROUND_NAMES =
  /(?:^|[\s_-])(?:nav|navbar|menu|sidebar|footer|masthead|breadcrumbs?|comments?|respond|share|sharing|social|related|promo|cookies?|advert|ads?|banner|newsletter|subscribe|pagination|pager|skip|toolbar|widget)(?:$|[\s_-])/i;

/**
 * The main text of a whole page: what stands around it (menus, footers, sidebars, comments) is left away. A fragment
 * without such parts comes back as it is.
 */
export function mainText(tree: Root): Parent {
  const body: Parent = find(tree, (node) => node.tagName === 'body') ?? tree;
  const title = find(body, (node) => node.tagName === 'h1');
  const own = named(body);
  if (!own && !find(body, isAround)) return body;
  rewrite(own ?? body, (node) => (isAround(node) ? [] : [node]));
  const main = own ?? densest(body);
  const isTitled = !title || find(main, (node) => node === title);
  return isTitled ? main : element('div', [title, main as Element]);
}

const isAround = (node: Element): boolean =>
  AROUND.has(node.tagName) ||
  ['navigation', 'banner', 'contentinfo', 'complementary', 'search'].includes(String(node.properties.role ?? '')) ||
  (!['body', 'main', 'article', 'html'].includes(node.tagName) && AROUND_NAMES.test(namesOf(node)) && linkShare(node) > 0.25) ||
  (node.tagName === 'header' && linkShare(node) > 0.5);

/** The element a page itself names as its main text: a lone article, or the main part. */
function named(body: Parent): Element | undefined {
  const main = find(body, (node) => node.tagName === 'main' || node.properties.role === 'main');
  const articles = findAll(main ?? body, (node) => node.tagName === 'article' && wordsIn(node) > 200);
  return articles.length === 1 ? articles[0] : main;
}

// The element whose own paragraphs say most; a paragraph counts half for the element around that one.
function densest(body: Parent): Parent {
  let best: Parent = body;
  let most = 0;
  const walk = (node: Parent): number => {
    let own = 0;
    let below = 0;
    for (const child of node.children) {
      if (!isElement(child)) continue;
      if (/^(?:p|h[1-6]|ul|ol|pre|blockquote|table|figure)$/.test(child.tagName)) own += wordsIn(child) * (1 - linkShare(child));
      else below += walk(child);
    }
    const score = own + below / 2;
    if (score > most) [best, most] = [node, score];
    return own;
  };
  walk(body);
  return best;
}

const wordsIn = (node: Element): number => toString(node).trim().length;

function linkShare(node: Element): number {
  const all = wordsIn(node);
  return all ? findAll(node, (child) => child.tagName === 'a').reduce((sum, link) => sum + wordsIn(link), 0) / all : 1;
}
