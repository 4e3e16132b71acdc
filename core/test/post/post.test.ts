import { expect } from 'chai';
import fc from 'fast-check';
import { isSafeAddress } from '@even-page/core/post/address';
import { postFromHtml, postToHtml } from '@even-page/core/post/html';
import { blocksWithoutOwnId, withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { docFromJSON, originLabel, schema, type PostNode } from '@even-page/core/post/schema';
import { outlineOf, plainText, sectionsOf } from '@even-page/core/post/sections';
import { mapFiles, picturesOf } from '@even-page/core/post/pictures';
import { tieToSource } from '@even-page/core/post/origins';

const SAMPLE = `Opening words with **bold**, *italic*, \`code\` and a [link](https://larkfield.example/stones "Stones").

## What came in

- 61 lamps
- 38 radios
  1. half of them dusty
  2. half broken

1. first
2. second

> Nobody mends a flex with tape.

![Two coins under a knife](/pictures/a.webp "Near enough")

### Smaller

\`\`\`js
let x = 1;
\`\`\`

---

Last words,\\
on two lines.
`;

describe('Markdown', () => {
  it('comes back as it went in', () => {
    expect(postToMarkdown(postFromMarkdown(SAMPLE))).to.equal(SAMPLE);
  });

  it('numbers lists on without a gap, from where they start', () => {
    expect(postToMarkdown(postFromMarkdown('3. a\n7. b\n9. c'))).to.equal('3. a\n4. b\n5. c\n');
  });

  it('moves spaces out of bold, and needs no entities for them', () => {
    const doc = schema.node('doc', null, [
      schema.node('paragraph', null, [schema.text('a'), schema.text(' b ', [schema.marks.strong.create()]), schema.text('c')]),
    ]);
    expect(postToMarkdown(doc)).to.equal('a **b** c\n');
  });

  it('gives a picture inside a paragraph a block of its own', () => {
    const doc = postFromMarkdown('Before ![seen](/pictures/a.webp) after.');
    expect(doc.content.content.map((n) => n.type.name)).to.deep.equal(['paragraph', 'picture', 'paragraph']);
  });

  it('shows raw markup as words and runs none of it', () => {
    const html = postToHtml(postFromMarkdown('<script>alert(1)</script>\n\nA <b onclick="x()">word</b> [x](javascript:alert(1))'));
    expect(html).to.not.match(/<script|<b |href="javascript/i);
    expect(html).to.contain('alert(1)');
  });

  it('reads link definitions and keeps a table', () => {
    expect(postToHtml(postFromMarkdown('[hall][h]\n\n[h]: https://larkfield.example'))).to.contain('href="https://larkfield.example"');
    const table = '| a | b |\n| - | - |\n| 1 | 2 |\n';
    expect(postToMarkdown(postFromMarkdown(table))).to.equal(table);
  });

  const word = fc.stringMatching(/^[a-zA-Z0-9*_[\]()#>`~!.&<\\-]{1,8}$/);
  const inline = fc.array(fc.tuple(word, fc.subarray(['strong', 'emphasis'] as const)), { minLength: 1, maxLength: 6 });
  const textOf = (runs: [string, ('strong' | 'emphasis')[]][]) =>
    runs.flatMap(([w, marks], i) => [
      ...(i ? [schema.text(' ')] : []),
      schema.text(
        w,
        marks.map((m) => schema.marks[m].create()),
      ),
    ]);

  it('holds any words with any bold and italic', () => {
    fc.assert(
      fc.property(fc.array(inline, { minLength: 1, maxLength: 4 }), (blocks) => {
        const doc = schema.node(
          'doc',
          null,
          blocks.map((runs) => schema.node('paragraph', null, textOf(runs))),
        );
        expect(plainText(postFromMarkdown(postToMarkdown(doc)))).to.equal(plainText(doc));
      }),
      { numRuns: 300 },
    );
  });
});

describe('HTML', () => {
  it('is clean: a figure with its caption, no classes, no styles', () => {
    const html = postToHtml(postFromMarkdown(SAMPLE));
    expect(html).to.contain(
      '<figure><img src="/pictures/a.webp" alt="Two coins under a knife"><figcaption>Near enough</figcaption></figure>',
    );
    expect(html).to.not.match(/class=(?!"language-)|style=|data-/);
  });

  it('comes back as it went in', () => {
    const doc = postFromMarkdown(SAMPLE);
    const back = postFromHtml(postToHtml(doc));
    expect(postToMarkdown(back)).to.equal(SAMPLE);
  });

  it('from outside loses what runs and keeps the words', () => {
    const doc = postFromHtml(
      '<style>p{}</style><p onclick="x()">Kept <span style="color:red">words</span><script>alert(1)</script></p><iframe src="x"></iframe>',
    );
    expect(doc.textContent).to.equal('Kept words');
  });
});

describe('a post', () => {
  const doc = withIds(postFromMarkdown('Lead words here.\n\n## One\n\na b c\n\n### Deeper\n\nd e\n\n## Two\n\nf'), counter());

  function counter() {
    let n = 0;
    return () => `b${++n}`;
  }

  it('is cut into sections by its level 2 headings', () => {
    expect(sectionsOf(doc).map((s) => [s.id === 'lead' ? 'lead' : s.heading, s.words])).to.deep.equal([
      ['lead', 3],
      ['One', 6],
      ['Two', 1],
    ]);
    expect(outlineOf(doc).map((s) => s.level)).to.deep.equal([2, 2, 3, 2]);
  });

  it('covers itself with sections, without a gap', () => {
    const sections = sectionsOf(doc);
    expect(sections[0]!.from).to.equal(0);
    expect(sections.at(-1)!.to).to.equal(doc.content.size);
    sections.slice(1).forEach((s, i) => expect(s.from).to.equal(sections[i]!.to));
  });

  it('has an id of its own on every block, and keeps those it has', () => {
    expect(blocksWithoutOwnId(doc)).to.deep.equal([]);
    const twice = schema.node('doc', null, [doc.firstChild!, doc.firstChild!]);
    expect(blocksWithoutOwnId(twice)).to.have.length(1);
    const mended = withIds(twice, () => 'new');
    expect(mended.content.content.map((b: PostNode) => b.attrs.id)).to.deep.equal(['b1', 'new']);
  });

  it('refuses what is no post', () => {
    const picture = (src: unknown) => ({ type: 'doc', content: [{ type: 'picture', attrs: { id: 'a', src, alt: '', caption: '' } }] });
    expect(() => docFromJSON(picture('javascript:alert(1)'))).to.throw(RangeError);
    expect(() => docFromJSON(picture(7))).to.throw(RangeError);
    expect(() => docFromJSON({ type: 'doc', content: [{ type: 'script' }] })).to.throw(RangeError);
    expect(() => docFromJSON({ type: 'doc', content: [{ type: 'paragraph', attrs: { id: 'a', origins: [{ source: 1 }] } }] })).to.throw(
      RangeError,
    );
    expect(() => docFromJSON(null)).to.throw(RangeError);
  });

  it('names the source in marks that had none', () => {
    const untied = schema.node('doc', null, [schema.node('paragraph', { origins: [{ source: '', first: 0, last: 1 }] }, schema.text('x'))]);
    expect(tieToSource(untied, 's1').firstChild!.attrs.origins).to.deep.equal([{ source: 's1', first: 0, last: 1 }]);
  });

  it('labels a block by its time, its passage, or as the writer’s own', () => {
    expect(originLabel([{ source: 's', first: 3, last: 4, startMs: 198_000 }])).to.equal('3:18');
    expect(originLabel([{ source: 's', first: 3, last: 4 }])).to.equal('¶ 4');
    expect(originLabel([])).to.equal('own');
  });

  it('has its pictures given new addresses in one pass', () => {
    const moved = mapFiles(postFromMarkdown(SAMPLE), () => 'https://larkfield.example/a.webp');
    expect(picturesOf(moved).map((p) => p.src)).to.deep.equal(['https://larkfield.example/a.webp']);
  });
});

describe('addresses', () => {
  it('lead into the web, to mail or to a telephone, and nowhere else', () => {
    for (const good of ['https://larkfield.example', '/pictures/a.webp', 'mailto:hall@larkfield.example', '#top', 'tel:123'])
      expect(isSafeAddress(good), good).to.equal(true);
    for (const bad of [
      'javascript:alert(1)',
      ' JaVaScRiPt:alert(1)',
      'java\nscript:alert(1)',
      '\u0001javascript:x',
      'data:text/html,x',
      'vbscript:x',
      'file:///etc/passwd',
    ]) {
      expect(isSafeAddress(bad), bad).to.equal(false);
    }
  });
});
