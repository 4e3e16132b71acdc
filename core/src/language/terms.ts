import { stemmer } from 'stemmer';
import { STOP_WORDS } from './stop-words.ts';
import { words } from './words.ts';

/** Lower case with straight apostrophes: the form in which words are compared. */
export function normal(word: string): string {
  if (isPlain(word)) return word;
  const lower = word.toLowerCase();
  return lower.includes('’') ? lower.replaceAll('’', "'") : lower;
}

// Most words are in this form already, and asked about again and again.
function isPlain(word: string): boolean {
  for (let i = 0; i < word.length; i++) if (word.charCodeAt(i) < 0x61 || word.charCodeAt(i) > 0x7a) return false;
  return true;
}

/** Whether a word can name a subject: no function word, no bare figure, at least three letters. */
export function isContentWord(word: string): boolean {
  const n = normal(word);
  return n.length > 2 && !STOP_WORDS.has(n) && !/^[\d.,]+$/.test(n);
}

/** The stem of a word in normal form, without a possessive ending (Porter 1980, package `stemmer`). */
export function stem(word: string): string {
  return stemmer(normal(word).replace(/'s?$/, ''));
}

/** The stems of the content words of a text, in order. */
export function terms(text: string): string[] {
  return words(text)
    .filter((w) => isContentWord(w.text))
    .map((w) => stem(w.text));
}
