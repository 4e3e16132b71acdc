// How fast talk becomes a page.
import { readFileSync } from 'node:fs';
import { makePage } from '../core/src/page/made-page.ts';
import { gather } from '../core/src/gather/formats.ts';
import { readSubjects } from '../core/src/shape/cut/subjects.ts';
import { editsForSections } from '../core/src/tidy/edit.ts';
import { findEdits } from '../core/src/tidy/finders.ts';
import { usualHouse } from '../core/src/tidy/house.ts';
import { readModel } from '../core/src/tidy/marks/model.ts';
import { proseOf } from '../core/src/tidy/prose.ts';
import { readWorth } from '../core/src/tidy/wording/worth.ts';
import { asWritten } from '../core/src/tidy/wording/written.ts';
import { sectioned } from '../core/training/told.ts';
import { medianMs, type Figure } from './measure.ts';
import { captionsOf } from './talk.ts';

const RUNS = 5;
const WORDS_OF_AN_HOUR = 9000;
const MS_A_WORD = 400;

const data = (name: string) => readFileSync(new URL(`../core/data/${name}`, import.meta.url));

/** Tidy and wording together in words a second, and an hour of talk from its bytes to its page beside Intl.Segmenter alone. */
export async function stopwatch(): Promise<Figure[]> {
  const said = sectioned('measured')
    .flatMap((t) => t.sentences.flatMap((s) => s.text.split(/\s+/)))
    .slice(0, WORDS_OF_AN_HOUR);
  const bytes = new TextEncoder().encode(captionsOf(said, MS_A_WORD));
  const tools = { subjects: readSubjects(data('subjects.bin')), worth: readWorth(data('worth.bin')) };
  const marks = { house: usualHouse(), model: readModel(data('marks.bin')) };
  const { source } = await gather(bytes, 'hour.vtt');
  const tidied = await medianMs(RUNS, () => asWritten(proseOf(source, editsForSections(findEdits(source, marks), [])), {}, tools.worth));
  const whole = await medianMs(RUNS, async () => {
    const { source: read } = await gather(bytes, 'hour.vtt');
    makePage([{ source: '', paragraphs: proseOf(read, editsForSections(findEdits(read, marks), [])) }], {}, tools);
  });
  const segmenter = new Intl.Segmenter('en', { granularity: 'word' });
  // Cue by cue: of one long string it takes far longer.
  const cues = source.passages.map((p) => p.text);
  const reference = await medianMs(RUNS, () => cues.reduce((sum, cue) => sum + [...segmenter.segment(cue)].length, 0));
  return [
    {
      what: 'Tidy and wording together, words a second',
      value: (said.length / tidied) * 1000,
      unit: '',
      least: 30_000,
      against: `${said.length} words`,
    },
    {
      what: 'An hour of talk from bytes to page, times Intl.Segmenter alone',
      value: whole / reference,
      unit: '',
      most: 12,
      against: `${whole.toFixed(0)} ms and ${reference.toFixed(0)} ms`,
    },
  ];
}
