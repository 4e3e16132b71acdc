import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Gathered } from '../../src/gather/format.ts';
import { gather } from '../../src/gather/formats.ts';
import { gatherSeveral } from '../../src/gather/several.ts';
import { mediaType } from '../../src/gather/recording/media-type.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';

const sample = (name: string) => new Uint8Array(readFileSync(new URL(`../samples/${name}`, import.meta.url)));
const page = ({ draft }: Gathered) => postToMarkdown(draft!.doc);
const WORDS = [
  'four hours',
  'bowl of water',
  'Twenty pegs',
  'wooden ones',
  'Soak the cane',
  '2.75 mm',
  'kitchen chairs',
  'Four hours without the soaking',
];

// The handout of LibreOffice as pandoc 2.17 writes it in other formats (core/test/samples/convert.py).
describe('a handout from a converter', () => {
  for (const name of ['handout.html', 'handout.md', 'handout.txt', 'handout.eml'])
    it(`loses no word as ${name}`, async () => {
      const written = page(await gather(sample(name), name));
      for (const words of WORDS) expect(written).to.contain(words);
    });

  it('keeps headings, lists, link and table as HTML, and as the HTML of a mail, there with its picture', async () => {
    const [html, mail] = await Promise.all(['handout.html', 'handout.eml'].map(async (name) => gather(sample(name), name)));
    for (const gathered of [html!, mail!]) {
      expect(page(gathered)).to.contain(
        '## What you need\n\n- A bundle of cane\n- Twenty pegs\n  - wooden ones\n- A bucket\n\n## The steps\n\n1. Soak',
      );
      expect(page(gathered)).to.contain('[the list of tools](https://larkfield.example/tools)');
      expect(page(gathered)).to.contain('| No. 4 | 2.75 mm | kitchen chairs |');
      expect(page(gathered))
        .to.match(/first\.\\?\[1\\?\]/)
        .and.not.to.contain('↩');
    }
    expect(mail!.source.title).to.equal('Caning: the handout, änew');
    expect(page(mail!)).to.contain('3. Work across the seat.\n\n![A caned seat from above](gathered/0)');
    expect(Array.from(mail!.pictures![0]!.bytes)).to.deep.equal(Array.from(sample('seat.png')));
  });

  it('keeps a picture that Markdown has as markup, and the archive puts it in place', async () => {
    const [handout, sizes] = await gatherSeveral(sample('handout.zip'), 'handout.zip');
    expect(page(handout!)).to.contain('3. Work across the seat.\n\n![A caned seat from above](gathered/0)');
    expect(handout!.pictures).to.have.length(1);
    expect(page(sizes!)).to.contain('| No. 4 | 2,75 mm | kitchen chairs   |');
  });

  it('keeps the notes of an outline with their lines and lists', async () => {
    const written = page(await gather(sample('handout.opml'), 'handout.opml'));
    expect(written).to.contain('## What you need\n\n- A bundle of cane\n- Twenty pegs\n  - wooden ones\n- A bucket');
    expect(written).to.contain('## The steps\n\n1. Soak the cane.');
    expect(written).not.to.contain('&#10;');
  });
});

// LibreOffice 7.4 writes the outline level beside a style that is no heading (core/test/samples/make.py).
it('a document whose headings are told by their outline level alone keeps them', async () => {
  const gathered = await gather(sample('outline-levels.docx'), 'outline-levels.docx');
  expect(gathered.draft!.details.title).to.equal('Before the cane');
  expect(page(gathered).trim()).to.equal('Take the old seat out.\n\n## Cutting it free\n\nA sharp knife does it.');
});

describe('tables of Python’s csv module', () => {
  for (const name of ['sizes.csv', 'sizes.tsv'])
    it(`keep quotes, commas and lines inside a value as ${name}`, async () => {
      expect(page(await gather(sample(name), name))).to.contain(
        '| No. 2 | 2,2 mm  | fine "old" seats |\n| No. 4 | 2,75 mm | kitchen chairs   |',
      );
    });
});

describe('captions of ffmpeg', () => {
  for (const name of ['cues.srt', 'cues.vtt', 'cues.ttml'])
    it(`keep words and times as ${name}`, async () => {
      const { source } = await gather(sample(name), name);
      expect(source.passages.map((p) => [p.text.replace(/\s+/g, ' '), p.startMs, p.endMs])).to.deep.equal([
        ['A seat wants four hours.', 1000, 3500],
        ['Soak the cane for twenty minutes.', 4000, 6250],
      ]);
    });
});

describe('recordings of ffmpeg', () => {
  for (const [name, type] of [
    ['tone.mp3', 'audio/mpeg'],
    ['tone.m4a', 'audio/mp4'],
    ['tone.wav', 'audio/wav'],
    ['tone.ogg', 'audio/ogg'],
    ['tone.webm', 'audio/webm'],
    ['caning-first-steps.mp4', 'video/mp4'],
  ] as const)
    it(`are told from their bytes: ${name}`, () => {
      expect(mediaType(sample(name).subarray(0, 4096))!.type).to.equal(type);
    });
});

describe('times and words as other programs write them', () => {
  const read = async (name: string) =>
    (await gather(sample(name), name)).source.passages.map(({ text, startMs, endMs }) => [text, startMs, endMs]);

  // ffmpeg 5.1 (LRC) and aeidon 1.11 mark where words begin: they end where the next begin.
  for (const name of ['cues.lrc', 'cues-marked.txt'])
    it(`reads time-marked text of ${name}`, async () => {
      expect(await read(name)).to.deep.equal([
        ['A seat wants four hours.', 1000, 4000],
        ['Soak the cane\nfor twenty minutes.', 4000, undefined],
      ]);
    });

  // The libraries subtitle 4.2 (milliseconds, each cue in a node) and node-webvtt 1.9 (seconds, a tree).
  for (const name of ['cues-list.json', 'cues-tree.json'])
    it(`reads data of ${name}`, async () => {
      expect(await read(name)).to.deep.equal([
        ['A seat wants four hours.', 1000, 3500],
        ['Soak the cane\nfor twenty minutes.', 4000, 6250],
      ]);
    });
});
