import { sentences } from './sentences.ts';
import { syllablesOf } from './syllables.ts';
import { words } from './words.ts';

/** Counts a text is judged by, and the two figures made of them. */
export type Readability = {
  words: number;
  sentences: number;
  syllables: number;
  /** Flesch Reading Ease, about 0 (hard) to 100 (easy); null without words. */
  ease: number | null;
  /** Flesch-Kincaid grade, in school years; null without words. */
  grade: number | null;
};

/** Flesch's reading ease: 206.835 - 1.015 words/sentence - 84.6 syllables/word (Flesch 1948). */
export const easeOf = (length: number, weight: number): number => 206.835 - 1.015 * length - 84.6 * weight;

/** Flesch and Kincaid's grade: 0.39 words/sentence + 11.8 syllables/word - 15.59 (Kincaid et al. 1975). */
export const gradeOf = (length: number, weight: number): number => 0.39 * length + 11.8 * weight - 15.59;

/** Reading ease and grade of a text. */
export function readability(text: string): Readability {
  const found = words(text);
  const s = sentences(text).length;
  const w = found.length;
  const syllables = found.reduce((sum, word) => sum + syllablesOf(word.text), 0);
  if (w === 0) return { words: 0, sentences: s, syllables: 0, ease: null, grade: null };
  const length = w / Math.max(1, s);
  const weight = syllables / w;
  return {
    words: w,
    sentences: s,
    syllables,
    ease: easeOf(length, weight),
    grade: gradeOf(length, weight),
  };
}
