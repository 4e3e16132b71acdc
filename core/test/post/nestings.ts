import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import fc from 'fast-check';

// The elements of HTML (the standard's section 4 and its obsolete ones), without those whose content is no text of the
// page: script, style, template, title, and what takes its content as raw text (iframe, noembed, noframes, plaintext, xmp).
const ELEMENTS =
  'a abbr acronym address article aside audio b bdi bdo big blockquote button canvas caption center cite code col colgroup data datalist dd del details dfn dialog dir div dl dt em fieldset figcaption figure font footer form h1 h2 h3 h4 h5 h6 header hgroup i ins kbd label legend li main map mark marquee math menu meter nav nobr noscript object ol optgroup option output p picture pre progress q rb rp rt rtc ruby s samp search section select slot small span strike strong sub summary sup svg table tbody td tfoot th thead time tr tt u ul var video'.split(
    ' ',
  );

/** Elements that tell a page's main text from what stands around it, which a reader of files leaves away on purpose. */
export const AROUND = new Set(
  'main article nav aside footer header form dialog menu button select optgroup option datalist svg noscript textarea search input'.split(
    ' ',
  ),
);

const VOIDS = ['<br>', '<hr>', '<img src="/a.png">', '<wbr>', '<input>'];

type Tree = { tag: string; children: Tree[] };

const { tree } = fc.letrec<{ tree: Tree; element: Tree }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'medium', withCrossShrink: true },
    fc.constantFrom({ tag: 'words', children: [] }, ...VOIDS.map((tag) => ({ tag, children: [] }))),
    tie('element'),
  ),
  element: fc.record({ tag: fc.constantFrom(...ELEMENTS), children: fc.array(tie('tree'), { minLength: 1, maxLength: 4 }) }),
}));

/** Markup of elements in any nesting, with a word of its own in every place; none of `without`. */
export const nestings = (without: ReadonlySet<string> = new Set()): fc.Arbitrary<string> =>
  fc.array(tree, { minLength: 1, maxLength: 4 }).map((trees) => {
    let n = 0;
    const word = () => `w${++n}w`;
    const write = ({ tag, children }: Tree): string => {
      if (tag === 'words') return ` ${word()} `;
      if (tag.startsWith('<')) return without.has(tag.slice(1, -1)) ? '' : tag;
      const inner = ` ${word()} ${children.map(write).join('')} ${word()} `;
      return without.has(tag) ? inner : `<${tag}>${inner}</${tag}>`;
    };
    return trees.map(write).join('\n');
  });

/** The words of the kind above in a text. */
export const wordsIn = (text: string): string[] => [...new Set(text.match(/w\d+w/g))].sort();

/** The words that a browser's parser finds in markup: some nestings it throws away itself. */
export function wordsOfMarkup(html: string): string[] {
  let text = '';
  const walk = (node: Nodes): void => {
    if (node.type === 'text') text += ` ${node.value} `;
    if ('children' in node) node.children.forEach(walk);
  };
  walk(fromHtml(html, { fragment: true }));
  return wordsIn(text);
}
