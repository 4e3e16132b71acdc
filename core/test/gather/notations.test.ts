import { expect } from 'chai';
import { gather } from '@even-page/core/gather/formats';

const ADA = ['Where do we begin?', 'With the seat, it is old.', 'And then?'];
const NAMES = ['Ada Hale', 'Ben Orr', 'Ada Hale'];
const STARTS = [5000, 9000, 15_000];
const rows = (write: (n: number) => string, between = '\n') => [0, 1, 2].map(write).join(between) + '\n';
const t = (ms: number) => `00:00:${String(ms / 1000).padStart(2, '0')}`;
const ENDS = [9000, 15_000, 19_000];

// Common practice of transcribers and their programs, no source but where named.
const NOTATIONS: [what: string, name: string, text: string, speakers: boolean, starts?: number[]][] = [
  ['a name and a time on a line of their own', 'a.txt', rows((n) => `${NAMES[n]}  ${t(STARTS[n]!)}\n${ADA[n]}`, '\n\n'), true],
  ['a time and a name on a line of their own', 'a.txt', rows((n) => `${t(STARTS[n]!)} ${NAMES[n]}\n${ADA[n]}`, '\n\n'), true],
  ['a name in brackets', 'a.txt', rows((n) => `[${NAMES[n]}] ${t(STARTS[n]!)}\n${ADA[n]}`, '\n\n'), true],
  ['a name, then a time in brackets', 'a.txt', rows((n) => `${NAMES[n]} (${t(STARTS[n]!)}): ${ADA[n]}`), true],
  ['a time in brackets, then a name', 'a.txt', rows((n) => `[${t(STARTS[n]!)}] ${NAMES[n]}: ${ADA[n]}`), true],
  ['from and to in brackets', 'a.txt', rows((n) => `[${t(STARTS[n]!)}.000 --> ${t(ENDS[n]!)}.000]  ${ADA[n]}`), false],
  ['from and to with a dash', 'a.txt', rows((n) => `${t(STARTS[n]!)}-${t(ENDS[n]!)} ${ADA[n]}`), false],
  [
    'from and to with a comma, a line above the words',
    'a.sbv',
    rows((n) => `${t(STARTS[n]!)}.000,${t(ENDS[n]!)}.000\n${ADA[n]}`, '\n\n'),
    false,
  ],
  ['hash marks', 'a.txt', rows((n) => `#${t(STARTS[n]!)}-0# ${ADA[n]}`), false],
  ['hash marks behind the words', 'a.txt', rows((n) => `${ADA[n]} #${t(ENDS[n]!)}-0#`), false, [0, 9000, 15_000]],
  ['lyrics', 'a.lrc', rows((n) => `[00:${String(STARTS[n]! / 1000).padStart(2, '0')}.00]${ADA[n]}`), false],
  [
    'columns with heads',
    'a.csv',
    'Start,End,Speaker,Text\n' + rows((n) => `${t(STARTS[n]!)},${t(ENDS[n]!)},${NAMES[n]},"${ADA[n]}"`),
    true,
  ],
  ['columns without', 'a.tsv', rows((n) => `${t(STARTS[n]!)}\t${NAMES[n]}\t${ADA[n]}`), true],
  ['JSON lines', 'a.jsonl', rows((n) => JSON.stringify({ start: STARTS[n]! / 1000, end: ENDS[n]! / 1000, text: ADA[n] })), false],
];

describe('times and speakers in transcripts', () => {
  for (const [what, name, text, speakers, starts = STARTS] of NOTATIONS)
    it(`are read from ${what}`, async () => {
      const { passages } = (await gather(new TextEncoder().encode(text), name)).source;
      expect(passages.map((p) => p.text)).to.deep.equal(ADA);
      expect(passages.map((p) => p.startMs)).to.deep.equal(starts);
      if (speakers) expect(passages.map((p) => p.speaker)).to.deep.equal(NAMES);
    });

  it('lose no line around hash marks behind the words', async () => {
    const { passages } = (
      await gather(new TextEncoder().encode('Before we begin.\nSit down. #00:00:05-0#\nSoak it. #00:00:09-0#\nIt dries.\n'), 'a.txt')
    ).source;
    expect(
      passages
        .map((p) => p.text)
        .join(' ')
        .replace(/\s+/g, ' '),
    ).to.equal('Before we begin. Sit down. Soak it. It dries.');
  });

  it('make no transcript of a table that says more, or of a programme', async () => {
    for (const text of [
      'Start,Text,Room\n00:00:05,Soak,Hall\n00:00:09,Weave,Yard\n00:00:15,Rest,Hall\n',
      '09:00,Doors open\n09:30,Soaking cane\n10:30,Weaving\n',
    ]) {
      const { source, draft } = await gather(new TextEncoder().encode(text), 'a.csv');
      expect(source.kind).to.equal('csv');
      expect(draft?.doc.firstChild?.type.name).to.equal('table');
    }
  });
});
