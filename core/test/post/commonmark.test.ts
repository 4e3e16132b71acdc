import { expect } from 'chai';
import type { Element, ElementContent, Root } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { toHtml } from 'hast-util-to-html';
import { tests } from 'commonmark-spec';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { postToHtml } from '@even-page/core/post/html';

// Source: the 652 examples of the CommonMark Specification, version 0.31.2 (package `commonmark-spec`).

/** What a post holds in another way than the examples have it, and why. */
const EXCEPTIONS: Record<string, string> = {
  'Raw HTML is shown as the words it was typed in, and comments are left out: nothing that came in may run.':
    '21 31 148-191 201 308 309 344 491 494 524 536 613-617 623 625-631 642 643',
  'A mark is on or off: emphasis inside emphasis is emphasis once.': '369 373 389 407-409 417-419 425-427 432 461 463-466 468 475-477',
  'A list stands close unless one of its items has several paragraphs: empty lines between items are an accident.':
    '109 300 306 311 313-315 317 320 321 326',
  'A link without words leads nowhere and is left out.': '484 487',
  'A picture is a block of its own, and no link.': '517 531 579 587',
  'Addresses lead into the web, to mail or to a telephone only.': '596 598 599 601',
  'Web and mail addresses are links as typed (GitHub Flavored Markdown, autolinks).': '602 606 608 611 612',
};

const excepted = new Map(
  Object.entries(EXCEPTIONS).flatMap(([reason, numbers]) =>
    numbers.split(' ').flatMap((range) => {
      const [first, last = first] = range.split('-').map(Number);
      return Array.from({ length: last! - first! + 1 }, (_, i) => [first! + i, reason] as const);
    }),
  ),
);

const BLOCKS = new Set(['p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'li', 'blockquote', 'pre', 'hr', 'figure']);

/** HTML with only the white space that is seen, and a lone picture as a figure, as a post has it. */
function seen(html: string): string {
  const tree = fromHtml(html, { fragment: true });
  const walk = (node: Root | Element) => {
    const isBlock = node.type === 'root' || BLOCKS.has(node.tagName);
    if (node.type === 'element' && node.tagName === 'pre') return;
    for (const child of node.children) {
      if (child.type === 'element') walk(child);
      if (child.type === 'text') child.value = child.value.replace(/\s+/g, ' ');
    }
    if (!isBlock) return;
    const [first, last] = [node.children[0], node.children.at(-1)];
    if (first?.type === 'text') first.value = first.value.trimStart();
    if (last?.type === 'text') last.value = last.value.trimEnd();
    const isContainer = node.type === 'root' || !/^(?:p|h\d)$/.test(node.tagName);
    node.children = node.children.filter((c) => c.type !== 'text' || (isContainer ? c.value.trim() : c.value)) as ElementContent[];
    const [only] = node.children;
    if (
      node.type === 'element' &&
      node.tagName === 'p' &&
      node.children.length === 1 &&
      only?.type === 'element' &&
      only.tagName === 'img'
    ) {
      const { title, ...properties } = only.properties;
      node.tagName = 'figure';
      only.properties = properties;
      if (title)
        node.children.push({ type: 'element', tagName: 'figcaption', properties: {}, children: [{ type: 'text', value: String(title) }] });
    }
  };
  walk(tree);
  return toHtml(tree);
}

describe('CommonMark 0.31.2', () => {
  const sections = new Set(tests.map((t) => t.section));
  for (const section of sections) {
    it(`${section}: the HTML of each example is the same after our reader and writer`, () => {
      for (const { number, markdown, html } of tests.filter((t) => t.section === section)) {
        const [given, wanted] = [markdown, html].map((text) => text.replaceAll('→', '\t'));
        const got = postToHtml(postFromMarkdown(postToMarkdown(postFromMarkdown(given!))));
        const reason = excepted.get(number);
        if (!reason) expect(seen(got), `example ${number}: ${JSON.stringify(given)}`).to.equal(seen(wanted!));
        else expect(seen(got) !== seen(wanted!), `example ${number} needs no exception: ${reason}`).to.equal(true);
      }
    });
  }
});
