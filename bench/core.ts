import { readFileSync } from 'node:fs';
import { readText } from '../core/test/gather/read-text.ts';
import { shapeOf } from '@even-page/core/shape/outline';
import { readSubjects } from '@even-page/core/shape/cut/subjects';
import { findEdits } from '@even-page/core/tidy/finders';
import { proseOf } from '@even-page/core/tidy/prose';
import { medianMs, type Figure } from './measure.ts';
import { talkOfHours } from './talk.ts';

const SUBJECTS = readSubjects(readFileSync(new URL('../core/data/subjects.bin', import.meta.url)));

const sections = (bytes: Uint8Array) => {
  const { source } = readText(bytes, 'talk.srt');
  return shapeOf([{ source: 's', paragraphs: proseOf(source, findEdits(source)) }], SUBJECTS).sections();
};

/** From the bytes of a talk to its sections, beside what the platform's own word and sentence cutter takes for the same words. */
export async function coreFigures(): Promise<Figure[]> {
  const [one, ten] = [talkOfHours(1), talkOfHours(10)];
  const { passages } = readText(one, 'talk.srt').source;
  // Cue by cue, which is the cutter's best case: over the whole text at once it takes many times as long.
  const cut = () => {
    let n = 0;
    for (const granularity of ['word', 'sentence'] as const) {
      const cutter = new Intl.Segmenter('en', { granularity });
      for (const { text } of passages) for (const _ of cutter.segment(text)) n++;
    }
    return n;
  };
  sections(one);
  const platform = await medianMs(9, cut);
  const hour = await medianMs(7, () => sections(one));
  const tenHours = await medianMs(3, () => sections(ten));
  return [
    {
      what: `A talk of one hour (${passages.length} cues), bytes to sections`,
      value: hour / platform,
      unit: 'times',
      most: 25,
      against: `Intl.Segmenter alone, words and sentences: ${platform.toFixed(0)} ms (ours ${hour.toFixed(0)} ms)`,
    },
    { what: 'A talk of ten hours', value: tenHours / hour, unit: 'times', most: 12, against: `one hour (ten: ${tenHours.toFixed(0)} ms)` },
  ];
}
