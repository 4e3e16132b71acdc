import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { Complaint } from '@even-page/core/complaint';
import type { Gathered } from '../../src/gather/format.ts';
import { gather } from '../../src/gather/formats.ts';
import { gatherSeveral } from '../../src/gather/several.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';

const sample = (name: string) => new Uint8Array(readFileSync(new URL(`../samples/${name}`, import.meta.url)));
const bytes = (text: string) => new TextEncoder().encode(text);
const page = ({ draft }: Gathered) => postToMarkdown(draft!.doc);
const refused = async (work: Promise<unknown>) => {
  const cause = await work.then(
    () => null,
    (e: unknown) => e,
  );
  expect(cause).to.be.instanceOf(Complaint);
  return (cause as Complaint).message;
};

// One handout saved by LibreOffice 7.4 as each of these formats (core/test/samples/make.py).
describe('a handout from an office program', () => {
  const HANDOUT = `A seat wants **four hours** and a *bowl of water*. Read [the list of tools](https://larkfield.example/tools) first.NOTE

## What you need

- A bundle of cane
- Twenty pegs
  - wooden ones
- A bucket

## The steps

1. Soak the cane.
2. Peg the first strand.
3. Work across the seat.

![A caned seat from above](gathered/0)

### Sizes of cane

| Gauge | Width   | For            |
| ----- | ------- | -------------- |
| No. 2 | 2.2 mm  | fine seats     |
| No. 4 | 2.75 mm | kitchen chairs |

Leave it overnight in a cool room, and do not sit on it before the morning, however sure you are that it is dry.
`;
  const NOTES = '\n1. Four hours without the soaking.\n';

  for (const kind of ['docx', 'odt', 'rtf']) {
    it(`keeps headings, lists, links, table, note and picture as ${kind.toUpperCase()}, and leaves comments out`, async () => {
      const gathered = await gather(sample(`handout.${kind}`), `handout.${kind}`);
      expect(gathered.source.kind).to.equal(kind);
      expect(gathered.source.title).to.equal('Caning a chair');
      expect(page(gathered)).to.equal(HANDOUT.replace('NOTE', '\\[1]') + NOTES);
      expect(gathered.pictures).to.have.length(1);
      expect(Array.from(gathered.pictures![0]!.bytes)).to.deep.equal(Array.from(sample('seat.png')));
      expect(gathered.source.passages.map((p) => p.text)).to.include.members(['Twenty pegs', 'kitchen chairs', 'Sizes of cane']);
    });
  }

  it('keeps as PDF what a PDF says: words, headings, lists, table, link and picture in their order', async () => {
    const gathered = await gather(sample('handout.pdf'));
    const expected = HANDOUT.replace('**four hours** and a *bowl of water*', 'four hours and a bowl of water')
      .replace('NOTE', '1')
      .replace('A caned seat from above', '');
    expect(page(gathered)).to.equal(`${expected}\n1Four hours without the soaking.\n`);
    expect(gathered.pictures).to.have.length(1);
  });

  it('is plain words when that is asked for', async () => {
    for (const kind of ['docx', 'odt', 'rtf', 'pdf']) {
      const { source, draft } = await gather(sample(`handout.${kind}`), '', 'plain');
      expect(draft, kind).to.equal(undefined);
      expect(source.passages.map((p) => p.text).join('\n'))
        .to.contain('A bundle of cane')
        .and.contain('kitchen chairs');
    }
  });

  it('cut short or scribbled over ends in one sentence', async () => {
    for (const kind of ['docx', 'odt', 'pdf']) {
      const whole = sample(`handout.${kind}`);
      expect(await refused(gather(whole.subarray(0, whole.length / 2)))).to.match(/^[A-Z][^\n]*\.$/);
    }
  });
});

describe('a web page', () => {
  const PAGE = `<!doctype html><html><head><title>How we mend kettles | Larkfield Repair Hall</title></head><body>
    <header class="masthead"><a href="/">Home</a> <a href="/shop">Shop</a></header>
    <nav><ul><li><a href="/a">One</a></li><li><a href="/b">Two</a></li></ul></nav>
    <div id="content"><h1>How we mend kettles</h1>
    <p>A kettle that will not boil has one of three faults, and two of them can be seen without a tool in the hand.</p>
    <h2>The first look</h2><p>Turn it over and look for scale.<br><br>Then look at the cord.</p>
    <figure><img src="https://larkfield.example/kettle.webp" alt="A kettle"><figcaption>Before</figcaption></figure>
    <script>alert(1)</script><p style="color:red" onclick="x()">Red <span style="font-weight:700">bold</span> words.</p></div>
    <aside class="sidebar"><p><a href="/x">Read also this</a></p></aside>
    <div class="comments"><p><a href="/login">Log in</a></p></div>
    <footer><p>All rights</p></footer></body></html>`;

  it('comes in as its main text: no menu, no footer, nothing that runs', async () => {
    const gathered = await gather(bytes(PAGE), 'kettles.html');
    expect(gathered.source.title).to.equal('How we mend kettles');
    expect(page(gathered)).to
      .equal(`A kettle that will not boil has one of three faults, and two of them can be seen without a tool in the hand.

## The first look

Turn it over and look for scale.

Then look at the cord.

![A kettle](https://larkfield.example/kettle.webp "Before")

Red **bold** words.
`);
  });

  it('pasted from an office program loses its junk and keeps its lists', async () => {
    const paste = `<html xmlns:o="urn:schemas-microsoft-com:office:office"><head><style>p.MsoNormal{margin:0}</style></head><body>
      <p class=MsoTitle>Tool night</p><p class=MsoNormal><o:p>&nbsp;</o:p></p>
      <p class=MsoListParagraphCxSpFirst style='mso-list:l0 level1 lfo1'><![if !supportLists]><span>·<span>&nbsp;&nbsp; </span></span><![endif]>Bring a saw</p>
      <p class=MsoListParagraphCxSpMiddle style='mso-list:l0 level2 lfo1'><span>o<span>&nbsp; </span></span>a small one</p>
      <p class=MsoListParagraphCxSpLast style='mso-list:l0 level1 lfo1'><span>·<span>&nbsp; </span></span>Bring a friend</p>
      <p class=MsoNormal>1. Measure.</p><p class=MsoNormal>2. Cut.</p><p class=MsoNormal>In 1987. That was it.</p></body></html>`;
    const gathered = await gather(bytes(paste));
    expect(gathered.source.title).to.equal('Tool night');
    expect(page(gathered)).to.equal(`- Bring a saw
  - a small one
- Bring a friend

1. Measure.
2. Cut.

In 1987. That was it.
`);
  });

  it('with pictures only its own computer has says so', async () => {
    const gathered = await gather(bytes('<p>One <img src="file:///C:/a.png" alt="A saw"> two.</p><p>Three <b>four</b>.</p>'));
    expect(gathered.notes).to.deep.equal(['One picture stayed where this came from (A saw): add it at Dress.']);
    expect(page(gathered)).to.equal('One\n\ntwo.\n\nThree **four**.\n');
  });
});

// RFC 5322 and MIME: folded and encoded headers, quoted-printable, multipart/related with a picture by its Content-ID.
describe('a mail', () => {
  const PIXEL = Buffer.from(sample('seat.png')).toString('base64');
  const MAIL = `From: Odile <odile@larkfield.example>\r\nTo: hall@larkfield.example\r\nSubject: =?UTF-8?Q?Caf=C3=A9_night_at?=\r\n the hall\r\nDate: Tue, 3 Mar 2026 19:00:00 +0000\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; boundary="b1"\r\n\r\n--b1\r\nContent-Type: text/html; charset=utf-8\r\nContent-Transfer-Encoding: quoted-printable\r\n\r\n<p>We open at <b>seven</b> =E2=80=93 come early.</p><ul><li>Cake</li><li>Tea</li></ul><p><img src=3D"cid:seat@hall" alt=3D"A seat"></p>\r\n--b1\r\nContent-Type: image/png; name="seat.png"\r\nContent-Transfer-Encoding: base64\r\nContent-ID: <seat@hall>\r\n\r\n${PIXEL}\r\n--b1--\r\n`;

  it('comes in as its body, its subject and its pictures in place', async () => {
    const gathered = await gather(bytes(MAIL), 'night.eml');
    expect(gathered.source.kind).to.equal('mail');
    expect(gathered.source.title).to.equal('Café night at the hall');
    expect(page(gathered)).to.equal('We open at **seven** – come early.\n\n- Cake\n- Tea\n\n![A seat](gathered/0)\n');
    expect(gathered.pictures![0]!.bytes).to.have.length(sample('seat.png').length);
  });

  it('in plain text comes in without its signature', async () => {
    const gathered = await gather(
      bytes(
        'From: a@b.example\nTo: c@d.example\nSubject: Notes\nDate: Tue, 3 Mar 2026 19:00:00 +0000\n\nBring cane.\n\n* one\n* two\n\n-- \nOdile\n',
      ),
    );
    expect(page(gathered)).to.equal('Bring cane.\n\n- one\n- two\n');
  });
});

describe('outlines and tables', () => {
  // The shape of OPML 2.0 (opml.org, "OPML 2.0 specification"): head with title, body with nested outline elements.
  it('of OPML become headings, and points under them', async () => {
    const gathered = await gather(
      bytes(`<?xml version="1.0"?><opml version="2.0"><head><title>Draughts</title></head><body>
        <outline text="Doors"><outline text="Brushes &amp; seals"/><outline text="Letter box" _note="Measure it first."/></outline>
        <outline text="Windows"><outline text="Sashes"><outline text="Cord"/></outline></outline>
        <outline text="Ask the hall" type="link" url="https://larkfield.example/ask"/></body></opml>`),
    );
    expect(gathered.source.title).to.equal('Draughts');
    expect(page(gathered)).to.equal(
      `## Doors

- Brushes & seals

- Letter box

  Measure it first.

## Windows

### Sashes

- Cord

## [Ask the hall](https://larkfield.example/ask)
`,
    );
  });

  // RFC 4180: quotes, commas and line breaks inside quotes, doubled quotes.
  it('of values in rows become a table, or a list', async () => {
    const csv = bytes('Tool,Where,"How many"\r\n"Saw, small",Rack,3\r\n"The ""good"" plane","Box\r\ntwo",1\r\n');
    expect(page(await gather(csv, 'tools.csv'))).to.equal(`| Tool             | Where   | How many |
| ---------------- | ------- | -------- |
| Saw, small       | Rack    | 3        |
| The "good" plane | Box two | 1        |
`);
    expect(page(await gather(csv, 'tools.csv', 'list'))).to.equal(
      '- Saw, small; Where: Rack; How many: 3\n- The "good" plane; Where: Box two; How many: 1\n',
    );
  });

  it('pasted from a spreadsheet is a table, whatever it is called', async () => {
    expect((await gather(bytes('a\tb\n1\t2\n3\t4'))).source.kind).to.equal('csv');
    expect((await gather(bytes('a\tb\n1\t2'), 'x.tsv')).source.passages.map((p) => p.text)).to.deep.equal(['a', 'b', '1', '2']);
  });
});

// W3C Timed Text Markup Language 2: clock and offset times, ticks, breaks, agents (sections 12.3.1, 14.1).
describe('TTML captions', () => {
  it('are read with their times, breaks and voices, whatever unit they are in', async () => {
    const { source } = await gather(
      bytes(`<?xml version="1.0" encoding="UTF-8"?><tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttm="http://www.w3.org/ns/ttml#metadata" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" ttp:frameRate="25" ttp:tickRate="10000000">
        <head><metadata><ttm:title>Lamp evening</ttm:title><ttm:agent xml:id="p1" type="person"><ttm:name type="full">Joss</ttm:name></ttm:agent></metadata></head>
        <body><div begin="10s">
          <p begin="00:00:01.500" end="00:00:03.000" ttm:agent="p1">First the <span>plug</span>,<br/>then the cord.</p>
          <p begin="5000ms" dur="2s">Offsets &amp; entities.</p>
          <p begin="00:00:08:05" end="90000000t">Frames and ticks.</p></div></body></tt>`),
    );
    expect(source.title).to.equal('Lamp evening');
    expect(source.passages).to.deep.equal([
      { text: 'First the plug,\nthen the cord.', startMs: 11_500, endMs: 13_000, speaker: 'Joss' },
      { text: 'Offsets & entities.', startMs: 15_000, endMs: 17_000 },
      { text: 'Frames and ticks.', startMs: 18_200, endMs: 19_000 },
    ]);
  });
});

describe('a transcript as data', () => {
  const WORDS = [
    { text: 'mind', startMs: 1000, endMs: 1200 },
    { text: 'the', startMs: 1210, endMs: 1300 },
    { text: 'cable', startMs: 1310, endMs: 1700 },
    { text: 'right', startMs: 3000, endMs: 3300 },
  ];

  it('of our own shape keeps the time of every word, and cuts at pauses', async () => {
    const { source } = await gather(bytes(JSON.stringify({ title: 'Lamps', words: WORDS })));
    expect(source).to.deep.equal({
      kind: 'transcript',
      title: 'Lamps',
      passages: [
        { text: 'mind the cable', startMs: 1000, endMs: 1700, wordsMs: [1000, 1200, 1210, 1300, 1310, 1700] },
        { text: 'right', startMs: 3000, endMs: 3300, wordsMs: [3000, 3300] },
      ],
    });
  });

  it('of other shapes is read by the names of its fields, in seconds or milliseconds', async () => {
    const nested = {
      results: { segments: [{ words: [{ word: 'mind', start: 1, end: 1.2 }] }, { words: [{ word: 'the', start: 1.21, end: 1.3 }] }] },
    };
    expect((await gather(bytes(JSON.stringify(nested)))).source.passages).to.deep.equal([
      { text: 'mind the', startMs: 1000, endMs: 1300, wordsMs: [1000, 1200, 1210, 1300] },
    ]);
    const segments = [{ text: 'Mind the cable.', start_time: '1.0s', end_time: '1.7s', speaker: 0 }];
    expect((await gather(bytes(JSON.stringify(segments)))).source.passages).to.deep.equal([
      { text: 'Mind the cable.', startMs: 1000, endMs: 1700, speaker: 'Speaker 1' },
    ]);
  });
});

describe('an archive', () => {
  it('comes in as its files in order, its pictures where a page names them', async () => {
    const zip = zipSync({
      '2-notes.txt': bytes('Just words.'),
      '1-draft.md': bytes('# Seats\n\nOne.\n\n![A seat](img/seat.png)\n'),
      'img/seat.png': sample('seat.png'),
      '__MACOSX/1-draft.md': bytes('junk'),
    });
    const files = await gatherSeveral(zip, 'all.zip');
    expect(files.map((f) => f.name)).to.deep.equal(['1-draft.md', '2-notes.txt']);
    expect(page(files[0]!)).to.equal('One.\n\n![A seat](gathered/0)\n');
    expect(files[0]!.pictures![0]!.bytes).to.have.length(sample('seat.png').length);
  });

  it('that holds something unreadable brings in the rest and says so', async () => {
    const [file] = await gatherSeveral(
      zipSync({ 'a.txt': bytes('Words.'), 'b.bin': Uint8Array.from({ length: 300 }, (_, i) => i % 7) }),
      'x.zip',
    );
    expect(file!.notes![0]).to.match(/^b\.bin: /);
  });

  it('that unpacks to too much, or holds another, is refused in a sentence', async () => {
    const bomb = zipSync(Object.fromEntries(Array.from({ length: 4 }, (_, i) => [`${i}.txt`, new Uint8Array(40 * 1024 * 1024)])), {
      level: 1,
    });
    expect(await refused(gatherSeveral(bomb, 'x.zip'))).to.contain('150 MB');
    expect(await refused(gatherSeveral(zipSync({ 'inner.zip': zipSync({ 'a.txt': bytes('Words.') }) }), 'x.zip'))).to.contain('archive');
  });
});

describe('files that are no material', () => {
  it('are named for what they are', async () => {
    expect(await refused(gather(sample('seat.png')))).to.contain('picture');
    expect(await refused(gather(Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1])))).to.contain('.docx');
  });

  it('that declare entities or nest without end are refused', async () => {
    const bomb = `<!DOCTYPE opml [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]><opml version="2.0"><body><outline text="&b;"/></body></opml>`;
    expect(await refused(gather(bytes(bomb.replace('<!DOCTYPE', '<?xml version="1.0"?><!DOCTYPE')), 'x.opml'))).to.match(/\.$/);
    const deep = `<opml version="2.0"><body>${'<outline text="a">'.repeat(5000)}${'</outline>'.repeat(5000)}</body></opml>`;
    expect(await refused(gather(bytes(deep)))).to.match(/\.$/);
    expect(await refused(gather(bytes(`<html><body>${'<div>'.repeat(3000)}x`)))).to.match(/\.$/);
  });
});
