import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';

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

describe('transcripts as data', () => {
  const read = async (data: unknown, name = 'a.json') => {
    const { source } = await gather(new TextEncoder().encode(typeof data === 'string' ? data : JSON.stringify(data)), name);
    return source.passages.map(({ text, startMs, endMs, speaker }) => [text, startMs, endMs, speaker].filter((v) => v !== undefined));
  };
  const SAID = [
    ['Soak the cane for twenty minutes.', 1000, 3500],
    ['Peg the first strand.', 4000, 6000],
  ];
  // Shapes that services and programs answer in (common practice, no source).
  for (const [form, data] of [
    [
      'times in a list of two',
      {
        chunks: [
          { timestamp: [1, 3.5], text: SAID[0]![0] },
          { timestamp: [4, 6], text: SAID[1]![0] },
        ],
      },
    ],
    [
      'fields nobody knows',
      {
        result: {
          rows: [
            { idx: 0, t0: 1, t1: 3.5, line: SAID[0]![0] },
            { idx: 1, t0: 4, t1: 6, line: SAID[1]![0] },
          ],
        },
      },
    ],
    [
      'clocks',
      [
        { in: '00:00:01.000', out: '00:00:03.500', body: SAID[0]![0] },
        { in: '00:00:04.000', out: '00:00:06.000', body: SAID[1]![0] },
      ],
    ],
    [
      'fields in fields',
      [
        { time: { a: 1, b: 3.5 }, said: { what: SAID[0]![0] } },
        { time: { a: 4, b: 6 }, said: { what: SAID[1]![0] } },
      ],
    ],
    [
      'seconds with their unit',
      [
        { startTime: '1s', endTime: '3.5s', transcript: SAID[0]![0] },
        { startTime: '4s', endTime: '6s', transcript: SAID[1]![0] },
      ],
    ],
  ] as const)
    it(`are read from ${form}`, async () => expect(await read(data)).to.deep.equal(SAID));

  it('keep who speaks, and are read in milliseconds where the whole file is', async () => {
    const rows = Array.from({ length: 6 }, (_, i) => ({
      n: i,
      at: i * 4000,
      till: i * 4000 + 3000,
      line: `Row number ${i} is said`,
      person: i % 2 ? 'Bo' : 'Ada',
    }));
    expect((await read(rows))[5]).to.deep.equal(['Row number 5 is said', 20_000, 23_000, 'Bo']);
  });

  it('without times are their words, and data without words says so in a sentence', async () => {
    expect(
      await read({ id: 7, transcript: { full: 'Soak the cane. Peg it down.', url: 'https://larkfield.example/a b c' } }),
    ).to.deep.equal([['Soak the cane. Peg it down.']]);
    let said = '';
    await read({ id: 7, list: [1, 2, 3], state: 'done' }).catch((cause: Error) => (said = cause.message));
    expect(said).to.match(/^This file is data of a program, and holds no words/);
  });
});

describe('captions of several voices', () => {
  const read = async (text: string, name: string) => (await gather(new TextEncoder().encode(text), name)).source.passages;
  it('in one cue are several, with their share of its time', async () => {
    const srt =
      '1\n00:00:01,000 --> 00:00:03,000\n- Is it hot?\n- It is hot now.\n\n2\n00:00:04,000 --> 00:00:05,000\nMind the &quot;flame&quot; &#38; the glass.\n';
    expect(await read(srt, 'a.srt')).to.deep.equal([
      { text: 'Is it hot?', startMs: 1000, endMs: 1833 },
      { text: 'It is hot now.', startMs: 1833, endMs: 3000 },
      { text: 'Mind the "flame" & the glass.', startMs: 4000, endMs: 5000 },
    ]);
    const vtt =
      'WEBVTT\n\n00:01.000 --> 00:03.000\n<v Ada>Is it hot?</v> <v.loud Bo>It is.</v>\n\n00:04.000 --> 00:05.000\n<v Ada>Good.</v>\n';
    expect((await read(vtt, 'a.vtt')).map((p) => [p.speaker, p.text])).to.deep.equal([
      ['Ada', 'Is it hot?'],
      ['Bo', 'It is.'],
      ['Ada', 'Good.'],
    ]);
  });
});

describe('names in the midst of paragraphs without times', () => {
  const said = async (text: string) =>
    (await gather(new TextEncoder().encode(text), 'a.txt')).source.passages.map((p) => [p.speaker, p.text]);

  it('are those who speak where every paragraph opens with one', async () => {
    const all = 'Host: Welcome to the hall. Guest: Thank you.\n\nHost: What is mended first? Guest: The lamp: always the lamp. Host: Why?';
    expect(await said(all)).to.deep.equal([
      ['Host', 'Welcome to the hall.'],
      ['Guest', 'Thank you.'],
      ['Host', 'What is mended first?'],
      ['Guest', 'The lamp: always the lamp.'],
      ['Host', 'Why?'],
    ]);
  });
  it('are words where it is prose, or a list of what speaks for a thing and against it', async () => {
    for (const text of [
      'We mend. Ada: a lamp. Ben: a chair. Ada: a kettle. Ben: a sieve.',
      'Pros: cheap. Cons: weak. Pros: light. Cons: loud.',
    ])
      expect(await said(text)).to.deep.equal([[undefined, text]]);
  });
});

describe('names in the midst of captions that were cut by length', () => {
  const vtt = (...cues: string[]) =>
    `WEBVTT\n\n${cues.map((cue, n) => `00:00:${String(n * 4).padStart(2, '0')}.000 --> 00:00:${String(n * 4 + 4).padStart(2, '0')}.000\n${cue}`).join('\n\n')}\n`;
  const said = async (...cues: string[]) => (await gather(new TextEncoder().encode(vtt(...cues)), 'a.vtt')).source.passages;
  const TALK = [
    'We are live from the hall. Ada: Where do we begin',
    'with the chair? Ben:',
    'With the seat, it is old. And then',
    'the cane. Ada: How long does Ben: An hour. Ada: No!',
  ];

  it('are those who speak, until the next one does', async () => {
    expect((await said(...TALK)).map((p) => [p.speaker, p.text])).to.deep.equal([
      [undefined, 'We are live from the hall.'],
      ['Ada', 'Where do we begin'],
      ['Ada', 'with the chair?'],
      ['Ben', 'With the seat, it is old. And then'],
      ['Ben', 'the cane.'],
      ['Ada', 'How long does'],
      ['Ben', 'An hour.'],
      ['Ada', 'No!'],
    ]);
  });
  it('share the time of their line by their letters', async () => {
    const [first, second, third] = await said(...TALK);
    expect([first!.startMs, second!.endMs, third!.startMs]).to.deep.equal([0, 4000, 4000]);
    expect(first!.endMs).to.equal(second!.startMs).and.to.be.within(2000, 3000);
  });
  it('are no part of the sentence before them', async () => {
    const cues = [
      'Which one is it? Ben: Look. Ada: Yes. Ben: No.',
      'Saturn. Ada: It is, with its ring. Dr. Ben: Yes.',
      'Mars. Dr. Ben: And that?',
    ];
    expect((await said(...cues)).map((p) => [p.speaker, p.text]).slice(-5)).to.deep.equal([
      ['Ben', 'Saturn.'],
      ['Ada', 'It is, with its ring.'],
      ['Dr. Ben', 'Yes.'],
      ['Dr. Ben', 'Mars.'],
      ['Dr. Ben', 'And that?'],
    ]);
  });
  it('may hold any sign, and are left alone where the format tells voices apart', async () => {
    const cues = ['<v A (on the (phone)>Hi. Ada: Yes.', '<v A (on the (phone)>Ben: No. Ada: So?', 'Ben: Then. Ada: No.'];
    expect((await said(...cues)).map((p) => [p.speaker, p.text])).to.deep.equal([
      ['A (on the (phone)', 'Hi. Ada: Yes.'],
      ['A (on the (phone)', 'Ben: No. Ada: So?'],
      [undefined, 'Ben: Then. Ada: No.'],
    ]);
  });
  it('are words where they are no conversation', async () => {
    const rules = [
      'We have two rules. Rule: sweep. The other',
      'is easy. Remember: lock up. And the last',
      'of them. Rule: be kind to all.',
    ];
    expect((await said(...rules)).map((p) => [p.speaker, p.text])).to.deep.equal(rules.map((text) => [undefined, text]));
  });
});
