import { expect } from 'chai';
import fc from 'fast-check';
import { onceSaid } from '../../src/gather/rolling.ts';
import { gather } from '../../src/gather/formats.ts';

const readText = async (text: string, name: string) => (await gather(new TextEncoder().encode(text), name)).source;
const cue = (n: number, text: string) => ({ text, startMs: n * 1000, endMs: (n + 1) * 1000 });
const said = (...texts: string[]) => onceSaid(texts.map((text, n) => cue(n, text))).map((p) => p.text);
const clock = (n: number) => `00:00:${String(n).padStart(2, '0')}.000`;
const vtt = (...cues: string[]) =>
  `WEBVTT\n\n${cues.map((text, n) => `${clock(n)} --> ${clock(n + 1)} align:start position:0%\n${text}`).join('\n\n')}\n`;

describe('captions that roll', () => {
  it('are read once, where the last line is shown again and words carry times of their own', async () => {
    const { passages } = await readText(
      vtt(
        ' \nhi<00:00:00.320><c> everyone</c><00:00:00.719><c> today</c>',
        'hi everyone today\n ',
        'hi everyone today\nwe<00:00:02.800><c> mend</c><00:00:02.900><c> a</c><00:00:03.000><c> chair</c>',
        'we mend a chair\n ',
        'we mend a chair\nwith<00:00:05.200><c> a</c><00:00:05.279><c> bit</c><00:00:05.520><c> of</c><00:00:05.680><c> glue</c>',
      ),
      'talk.vtt',
    );
    expect(passages.map((p) => [p.text, p.startMs])).to.deep.equal([
      ['hi everyone today', 0],
      ['we mend a chair', 2000],
      ['with a bit of glue', 4000],
    ]);
  });

  it('are read once over three lines in capitals, with a change of voice in the middle of a cue', () => {
    expect(
      said(
        'GOOD EVENING EVERYBODY.',
        'GOOD EVENING EVERYBODY.\nTONIGHT WE MEND A CHAIR',
        'GOOD EVENING EVERYBODY.\nTONIGHT WE MEND A CHAIR\nWITH A BIT OF GLUE.',
        'TONIGHT WE MEND A CHAIR\nWITH A BIT OF GLUE.\n>> DO WE NEED A BRUSH?',
      ),
    ).to.deep.equal(['GOOD EVENING EVERYBODY.', 'TONIGHT WE MEND A CHAIR', 'WITH A BIT OF GLUE.', 'DO WE NEED A BRUSH?']);
  });

  it('are one line where a line grows word by word', () => {
    expect(said('So', 'So the', 'So the glue', 'So the glue dries', 'slowly', 'slowly in', 'slowly in winter.')).to.deep.equal([
      'So the glue dries',
      'slowly in winter.',
    ]);
  });

  it('keep every word, whatever is said and however many lines are shown', () => {
    const word = fc.constantFrom('glue', 'the', 'chair', 'a', 'dry', 'now', 'edge', 'peg', 'saw', 'oil');
    const line = fc.array(word, { minLength: 3, maxLength: 7 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.uniqueArray(line, { minLength: 5, maxLength: 12 }), fc.integer({ min: 2, max: 3 }), (lines, shown) => {
        // A line that begins as the one before it ends cannot be told from one shown again.
        fc.pre(lines.every((own, i) => !i || said(lines[i - 1]!, own, 'x').join(' ') === `${lines[i - 1]} ${own} x`));
        const rolled = lines.map((_, i) => lines.slice(Math.max(0, i - shown + 1), i + 1).join('\n'));
        const found = said(...rolled)
          .join(' ')
          .split(' ');
        const wanted = lines.join(' ').split(' ');
        // What repeats itself across a border of lines may be taken for a line shown again.
        expect(found.length).to.be.at.least(wanted.length - lines.length);
        expect(found.length).to.be.at.most(wanted.length);
      }),
    );
  });

  it('are read once in TTML and in SubRip too', async () => {
    const rolled = [
      'Good evening all.',
      'Good evening all.\nWe mend a chair',
      'We mend a chair\nwith a bit of glue.',
      'with a bit of glue.\nThat is all.',
    ];
    const once = ['Good evening all.', 'We mend a chair', 'with a bit of glue.', 'That is all.'];
    const srt = rolled
      .map((text, n) => `${n + 1}\n${clock(n).replace('.', ',')} --> ${clock(n + 1).replace('.', ',')}\n${text}\n`)
      .join('\n');
    expect((await readText(srt, 'a.srt')).passages.map((p) => p.text)).to.deep.equal(once);
    const ttml = `<tt xmlns="http://www.w3.org/ns/ttml"><body><div>${rolled
      .map((text, n) => `<p begin="${clock(n)}" end="${clock(n + 1)}">${text.replace('\n', '<br/>')}</p>`)
      .join('')}</div></body></tt>`;
    expect((await readText(ttml, 'a.ttml')).passages.map((p) => p.text)).to.deep.equal(once);
  });

  it('are told from captions that only repeat what was said', () => {
    for (const cues of [
      ['Again and again', 'and again we sand it.', 'Then we oil it.', 'Then we wait.'],
      ['La la la', 'La la la', 'We sand the chair', 'La la la', 'La la la'],
      ['No.', 'No.', 'Not like that.'],
    ])
      expect(said(...cues)).to.deep.equal(cues);
  });
});

describe('words before a colon', () => {
  const read = async (text: string) => (await readText(text, 'a.txt')).passages.map((p) => `${p.speaker ?? ''}|${p.text}`);

  it('are words where they are nobody’s name', async () => {
    expect(await read('My advice: wait.\n\nOpening hours: nine to five.\n\nFlour: 500 g\n\nWater: 300 ml\n\nSalt: 10 g')).to.deep.equal([
      '|My advice: wait.',
      '|Opening hours: nine to five.',
      '|Flour: 500 g',
      '|Water: 300 ml',
      '|Salt: 10 g',
    ]);
  });

  it('are a speaker where they come again, or in a conversation', async () => {
    expect(
      await read('Ada: Where do we begin?\n\nBen Hale: With the seat. My advice: wait.\n\nAda: And then?\n\nNote: never sit on it.'),
    ).to.deep.equal(['Ada|Where do we begin?', 'Ben Hale|With the seat. My advice: wait.', 'Ada|And then?', '|Note: never sit on it.']);
    expect(await read('We met on Monday.\n\nIt was cold.\n\nIt rained.\n\nWilf: I was not there.')).to.deep.equal([
      '|We met on Monday.',
      '|It was cold.',
      '|It rained.',
      '|Wilf: I was not there.',
    ]);
  });

  it('are speakers where every stretch of a recording opens with one', async () => {
    const { passages } = await readText('[0:01] Mira: The plug first.\n[0:08] Joss: Always.', 'a.txt');
    expect(passages.map((p) => `${p.speaker}|${p.text}`)).to.deep.equal(['Mira|The plug first.', 'Joss|Always.']);
  });

  it('are kept in captions and after time marks too', async () => {
    const srt =
      '1\n00:00:01,000 --> 00:00:02,000\nTools: a brush.\n\n2\n00:00:02,000 --> 00:00:03,000\n>> Ada: Sit down.\n\n3\n00:00:03,000 --> 00:00:04,000\nIt dries.\n';
    expect((await readText(srt, 'a.srt')).passages.map((p) => `${p.speaker ?? ''}|${p.text}`)).to.deep.equal([
      '|Tools: a brush.',
      'Ada|Sit down.',
      '|It dries.',
    ]);
    expect((await readText('[0:01] Tools: a brush.\n[0:05] We begin.\n', 'a.txt')).passages.map((p) => p.text)).to.deep.equal([
      'Tools: a brush.',
      'We begin.',
    ]);
  });
});

describe('times of a transcript as data', () => {
  const text = 'We soak the cane in a bowl of warm water until it bends without a sound, and then we begin at the back of the seat.';
  const starts = async (step: number) =>
    (
      await readText(
        JSON.stringify({ segments: Array.from({ length: 60 }, (_, n) => ({ start: n * step, end: (n + 1) * step, text })) }),
        'a.json',
      )
    ).passages
      .slice(0, 3)
      .map((p) => p.startMs);

  it('in whole figures are seconds or milliseconds, by how fast somebody would have to speak', async () => {
    expect(await starts(25)).to.deep.equal([0, 25_000, 50_000]);
    expect(await starts(7500)).to.deep.equal([0, 7500, 15_000]);
  });
});
