import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';

const read = (text: string, name = 'draft.md') => gather(new TextEncoder().encode(text), name);
const written = async (text: string) => postToMarkdown((await read(text)).draft!.doc).trim();

// What Markdown files hold beyond CommonMark (GFM; footnotes and heading anchors are common practice).
describe('a draft in Markdown', () => {
  it('has its footnotes at its end, under the numbers they are called by', async () => {
    expect(await written('One[^b] and two[^a].\n\n[^a]: Note *a*.\n[^b]: Note b.\n[^c]: Nobody calls it.')).to.equal(
      'One\\[1] and two\\[2].\n\n1. Note b.\n2. Note *a*.\n3. Nobody calls it.',
    );
  });

  it('says of its tasks whether they are done', async () => {
    expect(await written('- [ ] Buy cane\n- [x] Soak it')).to.equal('- ☐ Buy cane\n- ☑ Soak it');
  });

  it('has the words of elements, without the elements, and no comments', async () => {
    expect(
      await written(
        'Press <kbd>Enter</kbd>, H<sub>2</sub>O. <!-- not this -->\n\n<details>\n<summary>More</summary>\n\nHidden **words**.\n\n</details>\n\n<p align="center"><a href="https://larkfield.example/">A link</a></p>',
      ),
    ).to.equal('Press `Enter`, H2O.\n\nMore\n\nHidden **words**.\n\n[A link](https://larkfield.example/)');
  });

  it('keeps what only looks like an element', async () => {
    expect(await written('Put `<b>` and <your name> here, <u>not</u> there.\n\n<MyButton>\n\nMore.')).to.equal(
      'Put `<b>` and \\<your name> here, not there.\n\n\\<MyButton>\n\nMore.',
    );
  });

  it('runs nothing that its elements bring', async () => {
    expect(
      await written('Words. <script>alert(1)</script>\n\n<img src="x" onerror="alert(1)"> <a href="javascript:alert(1)">Here</a>'),
    ).not.to.match(/alert|javascript/);
  });

  it('keeps notes, marks and pull quotes as they are written here', async () => {
    const own = '<aside>\n\nA note.\n\n</aside>\n\nA <mark>bright</mark> word.';
    expect(await written(own)).to.equal(own);
  });

  it('has front matter in TOML', async () => {
    const { draft } = await read('+++\ntitle = "Before the winter"\ntags = ["lamps", "wicks"]\n+++\n\nLook at every wick.\n');
    expect(draft!.details).to.deep.include({ title: 'Before the winter', tags: ['lamps', 'wicks'] });
    expect((await read('+++\nno toml = = here\n+++\n\nWords.\n')).source.passages.length).to.be.greaterThan(0);
  });

  it('has headings without the names of their places, and a table whose head is its first row', async () => {
    expect(await written('## Soaking {#soaking}\n\nKeep {this}.')).to.equal('## Soaking\n\nKeep {this}.');
    expect(await written('| | |\n|---|---|\n| Gauge | Width |\n| No. 2 | 2 mm |')).to.match(
      /^\| Gauge \| Width \|\n\| -+ \| -+ \|\n\| No\. 2/,
    );
  });
});

describe('material that is no text', () => {
  const office = async (name: string) => {
    const { readFileSync } = await import('node:fs');
    return new Uint8Array(readFileSync(new URL(`../samples/foreign/${name}`, import.meta.url)));
  };

  it('is slides: a heading each, its points, its table, and what is said to it', async () => {
    const gathered = await gather(await office('python.pptx'), 'python.pptx');
    expect(postToMarkdown(gathered.draft!.doc).trim()).to.equal(
      '## Before the winter\n\n- Look at every wick\n  - the black ones first\n- Clean the glass\n\nTell them of the cracked lamp.\n\n## Slide 2\n\n- Dry glass cracks no more',
    );
  });

  for (const [name, says] of [
    ['office.xlsx', /spreadsheet: save the sheet you need as CSV/],
    ['office.ods', /program’s own kind|spreadsheet/],
    ['pandoc.epub', /book for reading devices/],
  ] as const)
    it(`is told in a sentence what can be done with it: ${name}`, async () => {
      let said = '';
      await gather(await office(name), name).catch((cause: Error) => (said = cause.message));
      expect(said).to.match(says);
    });
});

describe('tables', () => {
  it('say which sign stands between their values, and have one head', async () => {
    expect(postToMarkdown((await read('sep=;\nTool;How many\nSaw;3\n', 'a.csv')).draft!.doc)).to.match(/^\| Tool \| How many \|/);
    const two = await read('Lamp,,Wick,\nName,Where,Width,Age\nHall,north,2,3\n', 'b.csv');
    expect(postToMarkdown(two.draft!.doc)).to.match(/^\| Lamp: Name \| Lamp: Where \| Wick: Width \| Wick: Age \|\n/);
  });
});
