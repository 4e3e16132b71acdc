import { expect } from 'chai';
import { Complaint } from '@even-page/core/complaint';
import { readText } from './read-text.ts';
import { durationMs } from '../../src/gather/source.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string, name = '') => readText(bytes(text), name);
const texts = (text: string, name = '') => read(text, name).source.passages.map((p) => p.text);

describe('SubRip captions', () => {
  const SRT =
    '1\n00:00:01,000 --> 00:00:03,500\nThe first thing\nis the angle.\n\n2\n00:00:03,500 --> 00:00:06,000\n<i>Fifteen</i> degrees &amp; no more.\n';

  it('are read cue by cue with their times', () => {
    const { source } = read(SRT);
    expect(source.kind).to.equal('captions-srt');
    expect(source.passages).to.deep.equal([
      { text: 'The first thing\nis the angle.', startMs: 1000, endMs: 3500 },
      { text: 'Fifteen degrees & no more.', startMs: 3500, endMs: 6000 },
    ]);
    expect(durationMs(source)).to.equal(6000);
  });

  it('are told from their words, whatever the file is called and however its lines end', () => {
    expect(read(SRT.replaceAll('\n', '\r\n'), 'notes.txt').source.passages).to.have.length(2);
  });

  it('keep a cue whole when an empty line stands in it', () => {
    expect(texts('1\n00:00:01,000 --> 00:00:02,000\nOne\n\n\ntwo\n\n2\n00:00:02,000 --> 00:00:03,000\nThree')).to.deep.equal([
      'One\n\n\ntwo',
      'Three',
    ]);
  });

  it('survive missing numbers, missing empty lines and cues without words', () => {
    expect(
      texts('00:00:01,000 --> 00:00:02,000\nOne\n2\n00:00:02,000 --> 00:00:03,000\nTwo\n\n3\n00:00:03,000 --> 00:00:04,000\n\n'),
    ).to.deep.equal(['One', 'Two']);
  });

  it('name the voice where a cue begins with it', () => {
    const [passage] = read('1\n00:00:01,000 --> 00:00:02,000\nMira: Mind the cable.').source.passages;
    expect(passage).to.include({ speaker: 'Mira', text: 'Mind the cable.' });
  });
});

// Grammar and examples after the W3C's "WebVTT: The Web Video Text Tracks Format", sections 1.1 to 1.6.
describe('WebVTT captions', () => {
  it('leave out notes, styles and regions and read voices', () => {
    const { source } = read(
      'WEBVTT - Lamp evening\n\nSTYLE\n::cue { color: lime }\n\nNOTE made by hand\nover two lines\n\nREGION\nid:fred\n\nintro\n00:01.000 --> 00:04.000 align:start\n<v Joss Fenwick>The <b>plug</b> first.\n\n01:00:05.000 --> 01:00:06.250\n<v.loud Wilf>Always.</v>',
    );
    expect(source.kind).to.equal('captions-vtt');
    expect(source.title).to.equal('Lamp evening');
    expect(source.passages).to.deep.equal([
      { text: 'The plug first.', speaker: 'Joss Fenwick', startMs: 1000, endMs: 4000 },
      { text: 'Always.', speaker: 'Wilf', startMs: 3_605_000, endMs: 3_606_250 },
    ]);
  });

  it('drop time tags inside a cue', () => {
    expect(texts('WEBVTT\n\n00:01.000 --> 00:04.000\nOne<00:02.000> two &lt;three&gt;')).to.deep.equal(['One two <three>']);
  });
});

describe('time-marked text', () => {
  it('is read in all the forms people write', () => {
    for (const line of [
      '[1:02] Words here',
      '(00:01:02) Words here',
      '1:02 Words here',
      '1:02 - Words here',
      '[00:01:02.000] Words here',
    ]) {
      const { source } = read(`[0:01] Before\n${line}`);
      expect(source.kind, line).to.equal('timed-text');
      expect(source.passages[1], line).to.deep.equal({ text: 'Words here', startMs: 62_000 });
    }
  });

  it('knows speakers before and after the mark, and marks on lines of their own', () => {
    const { source } = read('Mira Holloway 0:01\nGood evening.\n\nJoss [0:09] Evening.\n0:15 Wilf: Tea?\nThere is tea.');
    expect(source.passages.map((p) => [p.speaker, p.startMs, p.text])).to.deep.equal([
      ['Mira Holloway', 1000, 'Good evening.'],
      ['Joss', 9000, 'Evening.'],
      ['Wilf', 15_000, 'Tea?\nThere is tea.'],
    ]);
  });

  it('takes what stands above the first mark for the title', () => {
    const { source } = read('Knife evening\n\n[0:01] One\n[0:05] Two');
    expect(source.title).to.equal('Knife evening');
    expect(source.passages).to.have.length(2);
  });

  it('is not seen in prose that mentions a time', () => {
    expect(read('The doors open at 7:30 and we begin at 8:00.\n\nBring a lamp.').source.kind).to.equal('text');
  });
});

describe('plain text', () => {
  it('that was broken at a width is lines of one paragraph, and notes on lines of their own are not', () => {
    const talk =
      'right good evening before anybody touches\nanything the plug comes out of the\nwall and it goes on the table\nwhere we all can see it';
    const lines = read(talk).source.passages;
    expect(lines.map((p) => p.text)).to.deep.equal(talk.split('\n'));
    expect(lines.slice(0, -1).map((p) => p.after)).to.deep.equal(['\n', '\n', '\n']);
    const notes = 'mira orders new stones\nwilf fixes the slow wheel\ntea money went up to four\njoss sweeps on saturday night';
    expect(read(notes).source.passages.map((p) => p.after)).to.deep.equal([undefined, undefined, undefined, undefined]);
  });

  it('is a passage per paragraph and remembers extra empty lines', () => {
    const { source } = read('One\nstill one.\n\nTwo.\n\n\n\nThree.');
    expect(source.passages).to.deep.equal([{ text: 'One\nstill one.' }, { text: 'Two.', after: '\n\n\n\n' }, { text: 'Three.' }]);
  });

  it('is a passage per line when no line is empty', () => {
    expect(texts('One.\nTwo.')).to.deep.equal(['One.', 'Two.']);
  });
});

describe('a Markdown draft', () => {
  const DRAFT =
    '---\ntitle: The mending log\ntags: [lamps, radios]\nslug: Mending-Log\n---\n\n# The mending log\n\nFirst **bold** words.\n\n## Lamps\n\n- one\n- two\n';

  it('brings its page, its details and a passage per block', () => {
    const { source, draft } = read(DRAFT);
    expect(source.passages.map((p) => p.text)).to.deep.equal(['The mending log', 'First bold words.', 'Lamps', 'one', 'two']);
    expect(draft!.details).to.deep.equal({ title: 'The mending log', tags: ['lamps', 'radios'], slug: 'mending-log' });
    expect(draft!.doc.firstChild!.type.name).to.equal('paragraph');
  });

  it('ties each block to its passage', () => {
    const { draft } = read(DRAFT);
    expect(draft!.doc.firstChild!.attrs.origins).to.deep.equal([{ source: '', first: 1, last: 1 }]);
  });

  it('takes a first-level heading for the title when none is stated', () => {
    expect(read('# Cane a chair\n\nSoak the cane.').draft!.details).to.deep.equal({ title: 'Cane a chair' });
  });

  it('is told by its name when nothing else tells it', () => {
    expect(read('Just words.', 'draft.md').source.kind).to.equal('markdown');
    expect(read('Just words.', 'draft.txt').source.kind).to.equal('text');
  });

  it('keeps front matter that is not YAML as words', () => {
    expect(texts('---\n: : {\n---\n\n# Title\n\nWords.').join(' ')).to.contain('Words.');
  });
});

describe('bytes', () => {
  it('in UTF-16 and Windows-1252 are read as well', () => {
    const text = 'Café “quoted” – dash';
    const utf16 = Uint8Array.from([0xff, 0xfe, ...Array.from(text).flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8])]);
    expect(readText(utf16).source.passages[0]!.text).to.equal(text);
    const cp1252 = Uint8Array.from([0x43, 0x61, 0x66, 0xe9, 0x20, 0x93, 0x71, 0x94, 0x20, 0x96, 0x20, 0x78]);
    expect(readText(cp1252).source.passages[0]!.text).to.equal('Café “q” – x');
  });

  it('without words end in one sentence, not in a stack trace', () => {
    for (const bad of [new Uint8Array(), bytes('\n \n'), Uint8Array.from({ length: 400 }, (_, i) => (i * 37) % 24)]) {
      expect(() => readText(bad)).to.throw(Complaint, /\.$/);
    }
    expect(() => read('1\n00:00:01,000 --> 00:00:02,000\n\n')).to.throw(Complaint);
  });
});
