import { expect } from 'chai';
import fc from 'fast-check';
import { gather } from '../../src/gather/formats.ts';
import { pastedHtml } from '../../src/gather/pasted.ts';
import { fromMarkup } from '@even-page/core/post/markup';
import { picturesOf } from '@even-page/core/post/pictures';
import { emptyDoc, type PostNode } from '@even-page/core/post/schema';
import { AROUND, nestings, wordsIn, wordsOfMarkup } from './nestings.ts';

// NEST_RUNS=10000 is the long form.
const numRuns = Number(process.env.NEST_RUNS ?? 200);

const wordsOnPage = (doc: PostNode): string[] =>
  wordsIn(
    `${doc.textBetween(0, doc.content.size, ' ', ' ')} ${picturesOf(doc)
      .map((p) => `${p.caption} ${p.alt}`)
      .join(' ')}`,
  );

describe('elements of HTML in any nesting', () => {
  it('keep every word in the HTML view', () => {
    fc.assert(
      fc.property(nestings(), (html) => {
        const { doc } = fromMarkup(html, 'html', emptyDoc());
        doc.check();
        expect(wordsOnPage(doc)).to.deep.equal(wordsOfMarkup(html));
      }),
      { numRuns },
    );
  }).timeout(600_000 + numRuns * 100);

  it('keep every word as a file', async () => {
    await fc.assert(
      fc.asyncProperty(nestings(AROUND), async (inner) => {
        const html = `<!doctype html><p>w0w</p>${inner}`;
        const { draft } = await gather(new TextEncoder().encode(html), 'page.html');
        draft!.doc.check();
        const found = new Set([...wordsOnPage(draft!.doc), ...wordsIn(draft!.details.title ?? '')]);
        expect([...found].sort()).to.deep.equal(wordsOfMarkup(html));
      }),
      { numRuns },
    );
  }).timeout(600_000 + numRuns * 100);

  it('keep every word when they are pasted', () => {
    fc.assert(
      fc.property(nestings(), (html) => {
        expect(wordsOfMarkup(pastedHtml(html, () => ''))).to.deep.equal(wordsOfMarkup(html));
      }),
      { numRuns },
    );
  }).timeout(600_000 + numRuns * 100);

  for (const html of [
    '<figure><blockquote>one</blockquote><figcaption><p>two</p></figcaption></figure>',
    '<mark><p>one</p><p>two</p></mark>',
    '<strong><table><tr><td>one<td>two</table></strong>',
    '<table><tr><td>one<img src="/a.png" alt="a lamp"><td>two</table>',
    '<a href="/x"><table><tr><th>one<tr><td>two</table></a>',
    '<dd>one</dd> two',
    '<ruby>one<rt>two</rt></ruby>',
    '<table><caption>one</caption><tr><td>two</table>',
  ]) {
    it(`keeps the words of ${html}`, () => {
      const { doc } = fromMarkup(html, 'html', emptyDoc());
      doc.check();
      expect(doc.textBetween(0, doc.content.size, ' ', ' ').match(/one|two/g)).to.deep.equal(['one', 'two']);
    });
  }

  it('keep their marks and their picture', () => {
    const { doc } = fromMarkup(
      '<mark><p>one</p><p>two</p></mark><table><tr><td>x<img src="/a.png" alt="a lamp"></table>',
      'html',
      emptyDoc(),
    );
    expect(doc.children.map((b) => b.type.name)).to.deep.equal(['paragraph', 'paragraph', 'table', 'picture']);
    expect(doc.child(1).firstChild!.marks[0]!.type.name).to.equal('highlight');
    expect(picturesOf(doc)[0]).to.include({ src: '/a.png', alt: 'a lamp' });
  });
});
