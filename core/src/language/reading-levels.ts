import { daleChall } from 'dale-chall';
import { easeOf, gradeOf } from './readability.ts';
import { normal } from './terms.ts';
import { sentences } from './sentences.ts';
import { syllablesOf } from './syllables.ts';
import { words } from './words.ts';

/** What the formulas are made of. */
export type ReadingCounts = {
  words: number;
  sentences: number;
  syllables: number;
  /** Letters alone, and letters with figures. */
  letters: number;
  characters: number;
  /** Words of three syllables and more; those of them that Gunning calls hard; those not on the list of Dale and Chall. */
  polysyllables: number;
  hard: number;
  unfamiliar: number;
};

/** School years, each by its formula; `ease` is about 0 (hard) to 100 (easy). */
export type ReadingLevels = {
  ease: number;
  kincaid: number;
  fog: number;
  smog: number;
  colemanLiau: number;
  ari: number;
  daleChall: number;
};

const FAMILIAR = new Set(daleChall);

/** Several texts counted as one. */
export function sumOfCounts(all: readonly ReadingCounts[]): ReadingCounts {
  const sum = { words: 0, sentences: 0, syllables: 0, letters: 0, characters: 0, polysyllables: 0, hard: 0, unfamiliar: 0 };
  for (const counts of all) for (const name of Object.keys(sum) as (keyof ReadingCounts)[]) sum[name] += counts[name];
  return sum;
}

/** Counts a text for the formulas. */
export function readingCounts(text: string): ReadingCounts {
  const counts = sumOfCounts([]);
  for (const sentence of sentences(text)) {
    counts.sentences++;
    words(sentence.text).forEach(({ text: word }, place) => {
      const of = factsOf(word);
      const isName = place > 0 && of.hasCapital;
      counts.words++;
      counts.syllables += of.syllables;
      counts.letters += of.letters;
      counts.characters += of.characters;
      if (of.syllables >= 3) counts.polysyllables++;
      if (of.isHard && !isName) counts.hard++;
      if (!of.isFamiliar && !isName) counts.unfamiliar++;
    });
  }
  return counts;
}

type WordFacts = { syllables: number; letters: number; characters: number; hasCapital: boolean; isHard: boolean; isFamiliar: boolean };

// The same words come again and again; so many are remembered.
const MOST_REMEMBERED = 50_000;
const remembered = new Map<string, WordFacts>();

function factsOf(word: string): WordFacts {
  let facts = remembered.get(word);
  if (facts) return facts;
  const syllables = syllablesOf(word);
  facts = {
    syllables,
    letters: word.match(/\p{L}/gu)?.length ?? 0,
    characters: word.match(/[\p{L}\p{N}]/gu)?.length ?? 0,
    hasCapital: /^\p{Lu}/u.test(word),
    isHard: syllables >= 3 && isHard(word),
    isFamiliar: isFamiliar(normal(word)),
  };
  if (remembered.size >= MOST_REMEMBERED) remembered.clear();
  remembered.set(word, facts);
  return facts;
}

/** Whether Gunning counts a word of three syllables: no compound of easy words, no verb made long by -es, -ed or -ing (Gunning 1952). */
function isHard(word: string): boolean {
  if (word.includes('-')) return word.split('-').some((part) => syllablesOf(part) >= 3);
  const stem = /^(.{3,}?)(?:es|ed|ing)$/i.exec(word)?.[1];
  return !stem || syllablesOf(stem) >= 3;
}

// Endings under which a word of the list is known too (Dale and Chall 1948): plurals, possessives, verbs, comparison.
const ENDINGS: readonly (readonly [RegExp, string])[] = [
  [/'s?$/, ''],
  [/s$/, ''],
  [/es$/, ''],
  [/ies$/, 'y'],
  [/d$/, ''],
  [/ed$/, ''],
  [/(.)\1ed$/, '$1'],
  [/ied$/, 'y'],
  [/ing$/, ''],
  [/ing$/, 'e'],
  [/(.)\1ing$/, '$1'],
  [/r$/, ''],
  [/er$/, ''],
  [/ier$/, 'y'],
  [/(.)\1er$/, '$1'],
  [/st$/, ''],
  [/est$/, ''],
  [/iest$/, 'y'],
  [/(.)\1est$/, '$1'],
];

function isFamiliar(word: string): boolean {
  if (/\d/.test(word) || FAMILIAR.has(word)) return true;
  if (word.includes('-')) return word.split('-').every(isFamiliar);
  return ENDINGS.some(([ending, instead]) => ending.test(word) && FAMILIAR.has(word.replace(ending, instead)));
}

/**
 * The levels of a text; null for one without words.
 * - Ease and Kincaid: as `readability` has them.
 * - Fog: 0.4 (words/sentence + 100 hard/words) (Gunning 1952).
 * - SMOG: 3.1291 + 1.0430 √(30 polysyllables/sentences) (McLaughlin 1969).
 * - Coleman-Liau: 0.0588 letters and - 0.296 sentences to 100 words - 15.8 (Coleman and Liau 1975).
 * - ARI: 4.71 characters/word + 0.5 words/sentence - 21.43 (Senter and Smith 1967).
 * - Dale-Chall: 0.1579 per cent of unfamiliar words + 0.0496 words/sentence, and 3.6365 more where over 5 per cent are
 *   unfamiliar (Dale and Chall 1948).
 */
export function readingLevels(counts: ReadingCounts): ReadingLevels | null {
  const { words, syllables, letters, characters, polysyllables, hard, unfamiliar } = counts;
  if (!words) return null;
  const sentences = Math.max(1, counts.sentences);
  const length = words / sentences;
  const strange = (100 * unfamiliar) / words;
  return {
    ease: easeOf(length, syllables / words),
    kincaid: gradeOf(length, syllables / words),
    fog: 0.4 * (length + (100 * hard) / words),
    smog: 3.1291 + 1.043 * Math.sqrt((30 * polysyllables) / sentences),
    colemanLiau: 0.0588 * ((100 * letters) / words) - 0.296 * ((100 * sentences) / words) - 15.8,
    ari: 4.71 * (characters / words) + 0.5 * length - 21.43,
    daleChall: 0.1579 * strange + 0.0496 * length + (strange > 5 ? 3.6365 : 0),
  };
}
