import { readFileSync } from 'node:fs';
import { gatherSeveral } from '../../src/gather/several.ts';
import { captionsInside } from '../../src/gather/recording/inside.ts';
import { mediaType } from '../../src/gather/recording/media-type.ts';
import { postToMarkdown } from '@even-page/core/post/markdown';
import type { Passage } from '../../src/gather/source.ts';

/** What a file of a foreign program promises its reader: what stands on the page, and what does not. */
export type Promised = { kind: string; program: string; file: string; must: string[]; never?: string[] };

const BASICS = [
  '**bowl of water**',
  '*old towel*',
  '[the list of tools](https://larkfield.example/tools)',
  'first.\\[1]',
  'Four hours without the soaking.',
];
const HEADINGS = ['## What you need\n', '## The steps\n', '### Sizes of cane\n'];
const BULLETS = '- A bundle of cane\n- Twenty pegs\n  - wooden ones\n  - plastic ones\n- A bucket\n';
const STEPS = ['3. Soak the cane for', '4. Peg the first strand.', '5. Work across the seat.'];
const TABLE = '| No. 4 | 2.75 mm | kitchen chairs |';
const QUOTE = '> Cane is patient, and so must you be.';
const CODE = 'cut --length 30\n```';
const STRUCK = '~~wooden pegs~~ plastic pegs';
const ALT = '![A caned seat from above](gathered/0';
const DOCUMENT = [...BASICS, ...HEADINGS, BULLETS, ...STEPS, STRUCK, TABLE];
const TWICE = ['An evening of caning'];

const COLUMNS = [
  'Read [the list of tools](https://larkfield.example/tools) before you come.',
  '## What you need\n\nA bundle of cane and twenty pegs are enough for one seat of a kitchen chair, and a bucket that holds them for an evening',
  '## The steps\n\n1. Soak the cane for twenty minutes.\n2. Peg the first strand at the middle of the back rail and draw it to the front without a twist.\n3. Work across the seat.\n\nStraightforward as it sounds, the first row decides about everything that follows after it; whoever hurries here unpicks an hour of work at the end',
  '## Afterwards\n\nLeave it overnight in a cool room',
  'however sure you are that it is dry. The well-known test with a fingernail tells nothing about the middle of a strand',
  '## Sizes of cane\n',
  '| Gauge | Width',
  '| No. 2 | 2.2 mm  | fine old seats with many small holes close to one another |',
  '| No. 4 | 2.75 mm | kitchen chairs',
  'Ask at the desk for the other sizes; there are six of them',
];
const SPOKEN = ['A seat wants four hours. @1000', 'Soak the cane\nfor twenty minutes. @4000'];

export const PROMISES: readonly Promised[] = [
  { kind: 'DOCX', program: 'pandoc', file: 'pandoc.docx', must: [...DOCUMENT, QUOTE, CODE, ALT, '   Leave the end long.'], never: TWICE },
  {
    kind: 'DOCX',
    program: 'LibreOffice',
    file: 'office.docx',
    must: [...DOCUMENT, QUOTE, CODE, '![', '   Leave the end long.'],
    never: TWICE,
  },
  {
    kind: 'DOCX',
    program: 'AbiWord',
    file: 'abiword.docx',
    must: [...BASICS, ...HEADINGS, BULLETS, ...STEPS, STRUCK, TABLE, QUOTE],
    never: TWICE,
  },
  {
    kind: 'DOCX',
    program: 'python-docx',
    file: 'python.docx',
    must: [
      '**Look at every wick**',
      '[a little soap](https://larkfield.example/soap)',
      '1. Wash it\n2. Dry it\n',
      '- a cloth\n- a towel\n',
      '| Wick',
      '| Hall north | Door   | flat',
      '> Dry glass cracks no more.',
    ],
    never: ['HYPERLINK', 'Before the winter'],
  },
  { kind: 'ODT', program: 'pandoc', file: 'pandoc.odt', must: [...DOCUMENT, QUOTE, CODE, '![', '   Leave the end long.'], never: TWICE },
  {
    kind: 'ODT',
    program: 'LibreOffice',
    file: 'office.odt',
    must: [...DOCUMENT, QUOTE, CODE, ALT, '   Leave the end long.'],
    never: TWICE,
  },
  { kind: 'RTF', program: 'pandoc', file: 'pandoc.rtf', must: [...DOCUMENT, '![', '   Leave the end long.'], never: TWICE },
  {
    kind: 'RTF',
    program: 'LibreOffice',
    file: 'office.rtf',
    must: [...DOCUMENT, QUOTE, CODE, ALT, '   Leave the end long.'],
    never: TWICE,
  },
  {
    kind: 'RTF',
    program: 'AbiWord',
    file: 'abiword.rtf',
    must: [...BASICS, ...HEADINGS, BULLETS, ...STEPS, STRUCK, TABLE, QUOTE],
    never: TWICE,
  },
  {
    kind: 'PDF',
    program: 'WeasyPrint',
    file: 'weasyprint.pdf',
    must: [...COLUMNS, '- Twenty pegs\n- A bucket'],
    never: ['1 of 1', '‐', '# Caning, in two'],
  },
  { kind: 'PDF', program: 'Chromium', file: 'chromium.pdf', must: [...COLUMNS, '- A bucket\n'], never: ['1 of 1'] },
  {
    kind: 'PDF',
    program: 'groff',
    file: 'groff.pdf',
    must: [
      '## 1. What you need\n\nA bundle of cane and twenty pegs are enough for one seat',
      '- A bundle of cane, number two or number four, as the holes ask for it\n- Twenty pegs\n- A bucket\n',
      '## 2. The steps\n',
      'unpicks an hour of work at the end, and unfortunately the cane does not forgive',
      '## 3. Afterwards\n\nLeave it overnight in a cool room, and do not sit on it before the morning, however sure you are that it is dry.',
    ],
  },
  {
    kind: 'PDF',
    program: 'ReportLab',
    file: 'reportlab.pdf',
    must: [
      '# Wicks\n\n## Wicks part 1\n\nWicks are kept dry over the winter',
      '- Look at them\n- Write it down\n',
      '## Chairs part 2\n',
      'what is split is thrown away at once.',
    ],
    never: ['. . .', 'Page 2', 'The winter handbook'],
  },
  {
    kind: 'PDF',
    program: 'LibreOffice',
    file: 'office.pdf',
    must: [
      '[the list of tools](https://larkfield.example/tools)',
      ...HEADINGS,
      BULLETS,
      ...STEPS,
      TABLE,
      '\n\nCane is patient, and so must you be.\n',
      '![',
      'A caned seat from above\n',
      'Four hours without the soaking.',
    ],
    never: TWICE,
  },
  {
    kind: 'HTML',
    program: 'pandoc',
    file: 'pandoc.html',
    must: [...DOCUMENT, QUOTE, CODE, '   Leave the end long.', 'Closing time'],
    never: ['↩', ...TWICE],
  },
  {
    kind: 'HTML',
    program: 'LibreOffice',
    file: 'office.html',
    must: [...BASICS, ...HEADINGS, BULLETS, '3. Soak', '4. Peg', STRUCK, TABLE, 'Which cane for which seat'],
    never: TWICE,
  },
  {
    kind: 'HTML',
    program: 'Python-Markdown',
    file: 'python.html',
    must: [...BASICS, ...HEADINGS, BULLETS, 'Soak the cane', TABLE, QUOTE, CODE, 'Ten in the evening'],
    never: ['Posts', '© Larkfield', '↩', ...TWICE],
  },
  {
    kind: 'HTML',
    program: 'groff',
    file: 'groff.html',
    must: [
      'What you need',
      'A bundle of cane and twenty pegs are enough',
      'Twenty pegs',
      'The steps',
      'does not forgive being bent twice.',
      'however sure you are that it is dry.',
    ],
  },
  {
    kind: 'mail',
    program: 'Python',
    file: 'python-answer.eml',
    must: ['Soak the cane for twenty minutes – no longer.\n\nOdile'],
    never: ['How long does', 'wrote:', 'Odile, Larkfield', '--'],
  },
  {
    kind: 'mail',
    program: 'Python',
    file: 'python-rich.eml',
    must: ['For the handbook.', 'Soak the **cane** for *twenty* minutes.', '- Pegs\n- A bucket', '## What you need'],
    never: ['Forwarded', 'From: Bo', 'The plain part'],
  },
  {
    kind: 'mail',
    program: 'mutt',
    file: 'mutt.eml',
    must: [
      'soak the cane for twenty minutes. Words in Größe and “quotes” – does that',
      '- a bundle of cane\n- twenty pegs',
      'Bo',
      '## What you need',
    ],
    never: ['wrote:', 'Read the list of tools before', 'What do I need?', 'Bo, tools bench', 'Repair Hall'],
  },
  {
    kind: 'mail',
    program: 's-nail',
    file: 's-nail.eml',
    must: ['soak the cane for twenty minutes. Words in Größe and “quotes” – does that', '- a bundle of cane\n- twenty pegs', 'Bo'],
    never: ['wrote in', '|', 'Read the list of tools before', 'Bo, tools bench', 'Repair Hall'],
  },
  { kind: 'captions', program: 'ffmpeg', file: 'ffmpeg.srt', must: SPOKEN, never: ['<i>'] },
  { kind: 'captions', program: 'ffmpeg', file: 'ffmpeg.vtt', must: SPOKEN, never: ['<i>'] },
  { kind: 'captions', program: 'ffmpeg', file: 'ffmpeg.ttml', must: SPOKEN, never: ['<'] },
  { kind: 'captions', program: 'aeidon', file: '../cues.srt', must: ['@1000', '@4000'] },
  { kind: 'time marks', program: 'ffmpeg', file: 'ffmpeg.lrc', must: ['A seat wants four hours. @1000', '@4000'], never: ['[00', 'Lavf'] },
  { kind: 'time marks', program: 'aeidon', file: '../cues-marked.txt', must: ['@1000', '@4000'] },
  { kind: 'JSON', program: 'subtitle', file: '../cues-list.json', must: ['@1000', '@4000'], never: ['{'] },
  { kind: 'JSON', program: 'node-webvtt', file: '../cues-tree.json', must: ['@1000', '@4000'], never: ['{'] },
  {
    kind: 'Markdown',
    program: 'pandoc',
    file: 'pandoc.md',
    must: [...DOCUMENT, QUOTE, CODE, 'H2O', '   Leave the end long.'],
    never: ['[^', '<sub>'],
  },
  {
    kind: 'Markdown',
    program: 'pandoc',
    file: 'pandoc-x.md',
    must: [...BASICS, ...HEADINGS, BULLETS, ...STEPS, STRUCK, TABLE, QUOTE, CODE],
    never: ['[^'],
  },
  {
    kind: 'Markdown',
    program: 'html2text',
    file: 'html2text.md',
    must: [...BASICS.slice(0, 3), BASICS[4]!, ...HEADINGS, BULLETS, ...STEPS, STRUCK, '| 2.75 mm | kitchen chairs |', QUOTE],
  },
  {
    kind: 'OPML',
    program: 'pandoc',
    file: 'pandoc.opml',
    must: ['## What you need\n', BULLETS, '## The steps\n', 'Soak the cane', 'Sizes of cane'],
    never: ['&#'],
  },
  {
    kind: 'OPML',
    program: 'Python',
    file: 'python.opml',
    must: ['## What you need\n\n- A bundle of cane', '- Twenty pegs', '## The steps\n\n- Soak the cane', '- Peg the first strand'],
  },
  {
    kind: 'tables',
    program: 'Python',
    file: 'python.csv',
    must: ['| No. 2 | 2,2 mm  | fine "old" seats |', '| No. 4 | 2,75 mm | kitchen chairs   |'],
  },
  {
    kind: 'tables',
    program: 'Python',
    file: 'python.tsv',
    must: ['| No. 2 | 2,2 mm  | fine "old" seats |', '| No. 4 | 2,75 mm | kitchen chairs   |'],
  },
  {
    kind: 'tables',
    program: 'LibreOffice',
    file: 'office-utf16.csv',
    must: ['| No. 2 | 2,2 mm  | fine "old" seats |', '| No. 4 | 2,75 mm | kitchen chairs'],
  },
  {
    kind: 'tables',
    program: 'LibreOffice',
    file: 'office.tsv',
    must: ['| No. 2 | 2,2 mm  | fine "old" seats |', '| No. 4 | 2,75 mm | kitchen chairs'],
  },
  {
    kind: 'text',
    program: 'pandoc',
    file: 'pandoc.txt',
    must: [
      'Bring a bowl of water',
      'A bundle of cane',
      'wooden ones',
      'Peg the first strand.',
      'Cane is patient',
      'No. 4',
      'Four hours without',
    ],
  },
  {
    kind: 'text',
    program: 'LibreOffice',
    file: 'office.txt',
    must: ['Bring a bowl of water', 'A bundle of cane', 'wooden ones', 'Peg the first strand.', 'Cane is patient', 'No. 4'],
    never: ['\uFEFF'],
  },
  { kind: 'ZIP', program: 'Info-ZIP', file: 'zip.zip', must: [...BASICS, ...HEADINGS, BULLETS, ALT] },
  { kind: 'ZIP', program: 'libarchive', file: 'bsdtar.zip', must: [...BASICS, ...HEADINGS, BULLETS, ALT] },
  { kind: 'recordings', program: 'ffmpeg', file: 'ffmpeg.mp4', must: SPOKEN, never: ['<i>'] },
  { kind: 'recordings', program: 'MKVToolNix', file: 'mkvmerge.mkv', must: SPOKEN, never: ['<i>'] },
];

const spoken = (passages: readonly Passage[]) =>
  passages.map(({ text, startMs }) => (startMs === undefined ? text : `${text} @${startMs}`)).join('\n');

/** What a file comes to: its pages as Markdown, or its words with their times. */
export async function readingOf(file: string): Promise<string> {
  const bytes = new Uint8Array(readFileSync(new URL(`../samples/foreign/${file}`, import.meta.url)));
  const media = mediaType(bytes);
  if (media && !/\.eml$/.test(file))
    return captionsInside((from, length) => bytes.subarray(from, from + length), bytes.length, media.type)
      .map((t) => spoken(t.passages))
      .join('\n');
  const files = await gatherSeveral(bytes, file);
  return files
    .map(({ draft, source }) => (draft ? postToMarkdown(draft.doc) : spoken(source.passages)))
    .join('\n\n')
    .replaceAll('\u00A0', ' ');
}

/** The promises of a file that its reading breaks. */
export const broken = ({ must, never = [] }: Promised, reading: string): string[] => [
  ...must.filter((words) => !reading.includes(words)).map((words) => `lost: ${JSON.stringify(words)}`),
  ...never.filter((words) => reading.includes(words)).map((words) => `stays: ${JSON.stringify(words)}`),
];
