import { expect } from 'chai';
import fc from 'fast-check';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { blockAtOffset, fromMarkup, offsetOfBlock, toMarkup, type Markup } from '@even-page/core/post/markup';
import { schema, type PostNode } from '@even-page/core/post/schema';

const WAYS: Markup[] = ['markdown', 'html'];

function page(markdown: string): PostNode {
  let n = 0;
  const doc = withIds(postFromMarkdown(markdown), () => `b${++n}`);
  const tied = (node: PostNode, at: number): PostNode =>
    'origins' in node.attrs
      ? node.type.create(
          {
            ...node.attrs,
            origins: [{ source: 's', first: at, last: at }],
            ...('note' in node.attrs ? { note: `n${at}`, target: 100 } : {}),
          },
          node.content,
        )
      : node;
  return schema.node('doc', null, doc.children.map(tied));
}

const PAGE =
  'Hello **there** and ~~gone~~.\n\n## Soaking\n\nSoak the cane for twenty minutes.\n\n- one\n- two\n\n| A | B |\n| - | - |\n| 1 | 2 |\n\n---\n\n> said';

describe('the page edited as markup', () => {
  for (const as of WAYS) {
    it(`keeps ids, ties and notes of what was not touched, as ${as}`, () => {
      const doc = page(PAGE);
      const { doc: same, left } = fromMarkup(toMarkup(doc, as), as, doc);
      expect(left).to.deep.equal([]);
      expect(same.eq(doc)).to.equal(true);
    });

    it(`keeps them for a block that was changed, and for the others when one is put in, as ${as}`, () => {
      const doc = page(PAGE);
      const text = toMarkup(doc, as).replace('twenty minutes', 'half an hour');
      const added = as === 'markdown' ? `New first.\n\n${text}` : `<p>New first.</p>\n${text}`;
      const changed = fromMarkup(added, as, doc).doc;
      changed.check();
      expect(changed.childCount).to.equal(doc.childCount + 1);
      expect(changed.child(0).attrs.id).to.equal('');
      expect(changed.children.slice(1).map((b) => b.attrs.id)).to.deep.equal(doc.children.map((b) => b.attrs.id));
      expect(changed.child(3).attrs.origins).to.deep.equal(doc.child(2).attrs.origins);
      expect(changed.child(2).attrs).to.include({ note: 'n1', target: 100 });
    });

    it(`finds the place of a block, and the block of a place, as ${as}`, () => {
      const doc = page(PAGE);
      const text = toMarkup(doc, as);
      doc.children.forEach((_, n) => {
        const at = offsetOfBlock(doc, as, n);
        expect(blockAtOffset(text, as, at + 3), `${n} at ${at}: ${JSON.stringify(text.slice(at, at + 12))}`).to.equal(n);
      });
    });
  }

  it('changes a level where the markup says another, and nothing else', () => {
    const doc = page(PAGE);
    const changed = fromMarkup(toMarkup(doc, 'markdown').replace('## Soaking', '### Soaking'), 'markdown', doc).doc;
    expect(changed.child(1).attrs).to.deep.equal({ ...doc.child(1).attrs, level: 3 });
  });

  it('names what the page cannot hold', () => {
    const doc = page('Hello.');
    expect(fromMarkup('<p>Hello.</p><canvas>A drawing</canvas><!-- mind --><div>More</div>', 'html', doc).left).to.deep.equal([
      '<canvas>',
      'a comment',
      '<div>',
    ]);
    expect(fromMarkup('Hello.\n\n<div>More</div>\n\nA note[^1].\n\n[^1]: Here.', 'markdown', doc).left).to.deep.equal([
      'HTML',
      'a footnote as such',
    ]);
    expect(fromMarkup('', 'markdown', doc).doc.textContent).to.equal('');
  });

  it('holds notes, pull quotes, highlights and whose words a quotation has, as the standards have them', () => {
    const markdown =
      'Oil the <mark>whole blade</mark>.\n\n> The angle is the thing.\n>\n> — Mira, *knives*\n\n<aside>\n\nMind the edge.\n\n- a\n- b\n\n</aside>\n\n<aside>\n\n<q>It has to be the same.</q>\n\n</aside>\n';
    const doc = postFromMarkdown(markdown);
    doc.check();
    expect(doc.children.map((b) => b.type.name)).to.deep.equal(['paragraph', 'blockquote', 'note', 'pullQuote']);
    expect(doc.child(1).lastChild!.type.name).to.equal('author');
    expect(toMarkup(doc, 'markdown')).to.equal(markdown);
    // HTML Living Standard: a quotation's source stands in the caption of its figure; a pull quote is an aside.
    const html = toMarkup(doc, 'html');
    expect(html.replace(/\s*\n\s*/g, '')).to.equal(
      '<p>Oil the <mark>whole blade</mark>.</p>' +
        '<figure><blockquote><p>The angle is the thing.</p></blockquote><figcaption>Mira, <em>knives</em></figcaption></figure>' +
        '<aside><p>Mind the edge.</p><ul><li>a</li><li>b</li></ul></aside><aside><q>It has to be the same.</q></aside>',
    );
    expect(fromMarkup(html, 'html', doc).left).to.deep.equal([]);
    expect(fromMarkup(markdown, 'markdown', doc).left).to.deep.equal([]);
  });

  it('is the same page again, whatever blocks and marks it is made of, with its ids and ties', () => {
    const { nodes, marks } = schema;
    const word = fc.stringMatching(/^[a-z]{1,8}$/);
    const words = fc.array(word, { minLength: 1, maxLength: 3 });
    const MARKS = [
      marks.strong.create(),
      marks.emphasis.create(),
      marks.strikethrough.create(),
      marks.highlight.create(),
      marks.code.create(),
      marks.link.create({ href: 'https://example.org/', title: 'There' }),
    ];
    const run = fc.tuple(word, fc.subarray(MARKS));
    // A run without marks between those that carry some: two runs of the same mark that touch are one.
    const prose = fc
      .array(run, { minLength: 1, maxLength: 3 })
      .map((runs) =>
        runs.flatMap(([text, marked], i) => [
          schema.text(text, marked),
          ...(i < runs.length - 1 ? [schema.text(i ? ' so ' : ' so'), ...(i ? [] : [nodes.hardBreak.create()])] : []),
        ]),
      );
    const paragraph = prose.map((content) => nodes.paragraph.create(null, content));
    const plain = word.map((text) => nodes.paragraph.create(null, schema.text(text)));
    const items = fc.array(plain, { minLength: 1, maxLength: 3 }).map((all) => all.map((p) => nodes.listItem.create(null, p)));
    const block = fc.oneof(
      paragraph,
      fc.tuple(word, fc.integer({ min: 2, max: 4 })).map(([text, level]) => nodes.heading.create({ level }, schema.text(text))),
      items.map((all) => nodes.bulletList.create(null, all)),
      fc.tuple(items, fc.integer({ min: 1, max: 9 })).map(([all, start]) => nodes.orderedList.create({ start }, all)),
      fc
        .tuple(plain, items)
        .map(([p, all]) => nodes.bulletList.create(null, nodes.listItem.create(null, [p, nodes.bulletList.create(null, all)]))),
      fc
        .tuple(plain, fc.option(word))
        .map(([p, author]) => nodes.blockquote.create(null, [p, ...(author ? [nodes.author.create(null, schema.text(author))] : [])])),
      word.map((text) => nodes.pullQuote.create(null, schema.text(text))),
      fc.array(plain, { minLength: 1, maxLength: 2 }).map((all) => nodes.note.create(null, all)),
      fc.tuple(words, words).map(([head, below]) => {
        const row = (cells: string[], type: typeof nodes.tableCell) =>
          nodes.tableRow.create(
            null,
            head.map((_, i) => type.create(null, cells[i] ? schema.text(cells[i]) : null)),
          );
        return nodes.table.create(null, [row(head, nodes.tableHeader), row(below, nodes.tableCell)]);
      }),
      words.map((lines) => nodes.codeBlock.create(null, schema.text(lines.join('\n')))),
      fc.constant(nodes.rule.create()),
      fc.tuple(word, word).map(([alt, caption]) => nodes.picture.create({ src: '/pictures/a.webp', alt, caption })),
    );
    // Two lists or quotations that touch are one in either markup.
    const JOIN = new Set(['bulletList', 'orderedList', 'blockquote']);
    const blocks = fc
      .array(block, { minLength: 1, maxLength: 6 })
      .filter((all) => all.every((b, i) => !i || !JOIN.has(b.type.name) || !JOIN.has(all[i - 1]!.type.name)));
    fc.assert(
      fc.property(blocks, fc.constantFrom(...WAYS), (all, as) => {
        let n = 0;
        const doc = withIds(
          schema.node(
            'doc',
            null,
            all.map((b, i) =>
              'origins' in b.attrs ? b.type.create({ ...b.attrs, origins: [{ source: 's', first: i, last: i }] }, b.content) : b,
            ),
          ),
          () => `b${++n}`,
        );
        const again = fromMarkup(toMarkup(doc, as), as, doc).doc;
        const bare = (json: object) => JSON.stringify(json, (key, value: unknown) => (key === 'id' ? undefined : value));
        expect(bare(again.toJSON())).to.equal(bare(doc.toJSON()));
        // The ids of what stands in the page itself stay.
        expect(again.children.map((b) => b.attrs.id)).to.deep.equal(doc.children.map((b) => b.attrs.id));
      }),
      {
        numRuns: 300,
        examples: [
          // Words that stand inside and outside of a list.
          [
            [
              nodes.bulletList.create(null, nodes.listItem.create(null, nodes.paragraph.create(null, schema.text('a')))),
              nodes.paragraph.create(null, schema.text('a')),
            ],
            'markdown',
          ],
        ],
      },
    );
  });
});
