import { readFileSync } from 'node:fs';
import { readText } from '../core/test/gather/read-text.ts';
import { emptyDetails } from '@even-page/core/post/details';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { compare } from '../core/src/write/comparing.ts';
import { looksOf } from '../app/src/lib/server/looks.ts';
import { shapeOf } from '../core/src/shape/propose-sections.ts';
import { readSubjects } from '../core/src/shape/cut/subjects.ts';
import { findEdits } from '../core/src/tidy/finders.ts';
import { proseOf } from '../core/src/tidy/prose.ts';
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
    ...(await pageFigures()),
  ];
}

/** What a page of an odd build costs, beside one of the same size that people write. */
async function pageFigures(): Promise<Figure[]> {
  const look = (text: string) => {
    const post = { doc: postFromMarkdown(text), details: emptyDetails() };
    return medianMs(5, () => looksOf(post));
  };
  const prose = await look('Soak the cane in warm water. '.repeat(2000));
  const odd = await Promise.all([look('h'.repeat(58_000)), look(`${'.'.repeat(58_000)}x`)]);
  const version = (word: string) =>
    postFromMarkdown(
      Array.from({ length: 400 }, (_, i) => Array.from({ length: 60 }, (_, j) => `${word}${(i * 7 + j * 3) % 997}`).join(' ')).join('\n\n'),
    );
  const [older, newer, like] = [version('lamp'), version('chair'), version('lamp')];
  const alike = await medianMs(5, () => compare(older, like));
  const unlike = await medianMs(5, () => compare(older, newer));
  return [
    {
      what: 'Looking a page through that is one word, or a line of dots, of 58,000 letters',
      value: Math.max(...odd) / prose,
      unit: 'times',
      most: 5,
      against: `as many letters of prose: ${prose.toFixed(0)} ms (odd: ${odd.map((ms) => ms.toFixed(0)).join(' and ')} ms)`,
    },
    {
      what: 'Comparing two versions of 400 blocks that share no words',
      value: unlike / alike,
      unit: 'times',
      most: 20,
      against: `two that are the same: ${alike.toFixed(1)} ms (unlike: ${unlike.toFixed(0)} ms)`,
    },
  ];
}
