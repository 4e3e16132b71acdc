import { isNamedAs, type Format } from './format.ts';
import { wordCount } from '../language/words.ts';
import { find, isElement, parseHtml, rewrite, type Element, type Parent, type Root } from './hast.ts';
import { realPictures } from './lazy-pictures.ts';
import { bodyOf, mainText } from './main-text.ts';
import { markdown } from './markdown.ts';
import { plainText } from './plain-text.ts';
import { readTree } from './rich.ts';
import { structureWholeOrPlain } from './readings.ts';

const TAG = /<\/?(?:p|div|span|h[1-6]|ul|ol|li|table|a|b|i|strong|em|br|img|body)(?:\s[^<>]*)?>/gi;

// Fewer words around a text are not worth a word.
const FEWEST_TOLD = 10;

/** HTML, a whole page or a pasted stretch of one. */
export const html: Format = {
  kind: 'html',
  label: 'web page',
  extensions: ['html', 'htm', 'xhtml'],
  readings: structureWholeOrPlain('Whole page'),
  fits: ({ text, name }) => {
    const start = text().slice(0, 4000);
    if (/^\s*(?:<!--[^]*?-->\s*)*<(?:!doctype html|html|head|body|meta)[\s>]/i.test(start)) return true;
    if (isNamedAs(markdown, name) || isNamedAs(plainText, name)) return false;
    const tags = start.match(TAG)?.length ?? 0;
    return tags >= 2 && (isNamedAs(html, name) || /^\s*</.test(start));
  },
  read: ({ text, address }, reading) => {
    const tree = parseHtml(text());
    if (reading === 'whole') return readTree('html', located(tree, address), 'structure');
    const { main, whole } = mainIn(tree, address);
    const gathered = readTree('html', tree, reading);
    const left = whole - wordsIn(main);
    return left < FEWEST_TOLD
      ? gathered
      : {
          ...gathered,
          notes: [
            ...(gathered.notes ?? []),
            `What stands around the text stayed out (menus, boxes, notices): ${left} words. “Whole page” brings it in.`,
          ],
        };
  },
};

/** A page with all its addresses in full, and its real pictures. */
function located(tree: Root, address: string | undefined): Root {
  resolveAddresses(tree, address);
  realPictures(tree);
  return tree;
}

/** Leaves in a page its main text only; says what that is, and how many words the page had. */
export function mainIn(tree: Root, address: string | undefined): { main: Parent; whole: number } {
  located(tree, address);
  rewrite(tree, (node) => (/^(?:script|style|template)$/.test(node.tagName) ? [] : [node]));
  const whole = wordsIn(bodyOf(tree));
  const main = mainText(tree);
  bodyOf(tree).children = main === bodyOf(tree) ? main.children : [main as Element];
  return { main, whole };
}

/** The words of a part of a page. */
export const wordsIn = (parent: Parent): number =>
  parent.children.reduce((sum, child) => sum + (child.type === 'text' ? wordCount(child.value) : isElement(child) ? wordsIn(child) : 0), 0);

/** Addresses that a page writes from where it stands, in full: from its `base`, else from where it was fetched. */
function resolveAddresses(tree: Root, address: string | undefined): void {
  const stated = find(tree, (node) => node.tagName === 'base')?.properties.href;
  const base = typeof stated === 'string' && URL.canParse(stated, address) ? new URL(stated, address).href : address;
  if (!base) return;
  rewrite(tree, (node) => {
    for (const name of ['href', 'src'] as const) {
      const value = node.properties[name];
      if (typeof value === 'string' && !/^(?:#|[a-z][\w+.-]*:)/i.test(value) && URL.canParse(value, base))
        node.properties[name] = new URL(value, base).href;
    }
    return [node];
  });
}
