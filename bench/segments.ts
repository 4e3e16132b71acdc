import { words } from '@even-page/core/language/words';
import { BROWN_DOCUMENTS, brownSentences } from './brown.ts';

/** A text made of stretches of others: its units, and the numbers of those that begin a new stretch. */
export type Joined = { units: string[]; borders: number[] };

/** For tuning, or for measuring only. */
export type Part = 'tuned' | 'measured';

const number = (name: string) => Number(name.slice(2));
const PARTS: Record<'prose' | 'talk', Record<Part, (name: string) => boolean>> = {
  // Press reports and learned papers, as Choi had them, and every other one of five more kinds.
  prose: {
    measured: (name) => /^c[aj]/.test(name) || (/^c[d-h]/.test(name) && number(name) % 2 === 1),
    tuned: (name) => /^c[b-h]/.test(name) && number(name) % 2 === 0,
  },
  // All kinds but those Choi had.
  talk: {
    measured: (name) => !/^c[aj]/.test(name) && number(name) % 2 === 1,
    tuned: (name) => !/^c[aj]/.test(name) && number(name) % 2 === 0,
  },
};

/** The ranges of Choi (2000): how many sentences a stretch has, at least and at most. */
export const RANGES = [
  [3, 11],
  [3, 5],
  [6, 8],
  [9, 11],
] as const;

const STRETCHES = 10;
const TEXTS = 100;

/** Texts in the style of Choi (2000): ten stretches each, the first n sentences of documents taken by chance. */
export function choiTexts([least, most]: readonly [number, number], part: Part): Joined[] {
  const names = BROWN_DOCUMENTS.filter(PARTS.prose[part]);
  const random = seeded(least * 1000 + most + (part === 'tuned' ? 7 : 0));
  return Array.from({ length: TEXTS }, () =>
    joined(
      Array.from({ length: STRETCHES }, () => {
        const size = least + Math.floor(random() * (most - least + 1));
        return sentencesOf(names[Math.floor(random() * names.length)]!).slice(0, size);
      }),
    ),
  );
}

/** Texts like talks: stretches of 180 to 720 words from anywhere, spoken, without marks, cut blindly into cues. */
export function talkTexts(part: Part): Joined[] {
  const names = BROWN_DOCUMENTS.filter(PARTS.talk[part]);
  const random = seeded(part === 'tuned' ? 11 : 12);
  const from = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  return Array.from({ length: TEXTS }, () => {
    const said: string[] = [];
    const starts: number[] = [];
    for (let n = 0; n < STRETCHES; n++) {
      const all = wordsOf(names[Math.floor(random() * names.length)]!);
      const size = from(180, 720);
      const first = from(0, Math.max(0, all.length - size));
      starts.push(said.length);
      for (const word of all.slice(first, first + size)) {
        const chance = random();
        if (chance < 0.03) said.push(FILLERS[Math.floor(random() * FILLERS.length)]!);
        else if (chance < 0.05) said.push(word);
        else if (chance < 0.06) said.push(...said.slice(-2));
        said.push(word);
      }
    }
    const units: string[] = [];
    const at: number[] = [];
    for (let i = 0; i < said.length;) {
      const size = from(8, 16);
      at.push(i);
      units.push(said.slice(i, i + size).join(' '));
      i += size;
    }
    // A stretch begins with the cue that most of its first words stand in.
    const borders = starts
      .slice(1)
      .map((start) => at.reduce((best, a, i) => (Math.abs(a - start) < Math.abs(at[best]! - start) ? i : best), 0));
    return { units, borders };
  });
}

const FILLERS = ['um', 'uh', 'you know', 'like', 'so', 'i mean', 'right', 'okay'];

function joined(stretches: readonly (readonly string[])[]): Joined {
  const borders: number[] = [];
  let at = 0;
  for (const stretch of stretches.slice(0, -1)) borders.push((at += stretch.length));
  return { units: stretches.flat(), borders };
}

const memo = new Map<string, string[]>();
function sentencesOf(name: string): string[] {
  let found = memo.get(name);
  if (!found) memo.set(name, (found = brownSentences(name)));
  return found;
}
const wordsOf = (name: string) => sentencesOf(name).flatMap((s) => words(s).map((w) => w.text.toLowerCase()));

/** Numbers from 0 to below 1, the same for the same seed (mulberry32, from memory). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/**
 * How wrong borders are, as a share of all windows.
 * pk: Beeferman, Berger and Lafferty 1999, of two units k apart, how often found and wanted disagree on whether they
 * belong together. windowDiff: Pevzner and Hearst 2002, how often the numbers of borders inside the window differ.
 * The window k is half the mean length of a wanted stretch.
 * @param length the number of units
 */
export function borderErrors(found: readonly number[], wanted: readonly number[], length: number): { pk: number; windowDiff: number } {
  const k = Math.max(1, Math.round(length / (wanted.length + 1) / 2));
  const numbers = (borders: readonly number[]) => {
    const set = new Set(borders);
    let n = 0;
    return Array.from({ length }, (_, i) => (set.has(i) ? ++n : n));
  };
  const [a, b] = [numbers(found), numbers(wanted)];
  let apart = 0;
  let differ = 0;
  for (let i = 0; i + k < length; i++) {
    const [x, y] = [a[i + k]! - a[i]!, b[i + k]! - b[i]!];
    if (x > 0 !== y > 0) apart++;
    if (x !== y) differ++;
  }
  const windows = Math.max(1, length - k);
  return { pk: apart / windows, windowDiff: differ / windows };
}
