import { syllable } from 'syllable';

// The longest words of the languages we read have fewer letters; counting takes the square of a word's length.
const LONGEST = 60;

/** The syllables of a word, at least one; those of a run of letters that is no word are counted piece by piece (package `syllable`). */
export function syllablesOf(word: string): number {
  let sum = 0;
  for (let at = 0; at < word.length; at += LONGEST) sum += syllable(word.slice(at, at + LONGEST));
  return Math.max(1, sum);
}
