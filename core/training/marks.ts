import { sentences } from '../src/language/sentences.ts';
import { normal } from '../src/language/terms.ts';
import { words } from '../src/language/words.ts';

/** The marks a word can be followed by: none, a comma, a full stop, a question mark, a semicolon, another (colon, dash). */
export const MARKS = ['none', 'comma', 'stop', 'question', 'semicolon', 'other'] as const;

/** A word as a talk without marks gives it, and what a writer had put there. */
export type MarkedWord = {
  word: string;
  /** The number of its mark in MARKS; -1 where what stands there is none of them. */
  mark: number;
  /** 1 a name in capitals inside its sentence, 0 not, -1 where a capital says nothing. */
  name: number;
};

const SELF = /^i(?:'\w+)?$/;

/** Well-punctuated text as words in lower case with their marks. */
export function markedWords(text: string): MarkedWord[] {
  const found = words(text);
  const marked: MarkedWord[] = [];
  let i = 0;
  for (const sentence of sentences(text)) {
    const first = i;
    while (i < found.length && found[i]!.from < sentence.to) i++;
    const own = found.slice(first, i);
    const shouted =
      own.filter((w) => w.text.length > 1 && w.text === w.text.toUpperCase() && /\p{L}/u.test(w.text)).length > own.length / 2;
    own.forEach((w, k) => {
      const next = own[k + 1];
      const gap = text.slice(w.to, next ? next.from : sentence.to);
      const before = text.slice(own[k - 1]?.to ?? sentence.from, w.from);
      const opens = k === 0 || /[“"‘(:;[]|--|—/.test(before) || /(?:^|\s)'$/.test(before);
      const word = normal(w.text);
      const name = opens || shouted || SELF.test(word) || !/\p{L}/u.test(word) ? -1 : /^\p{Lu}/u.test(w.text) ? 1 : 0;
      marked.push({ word, mark: next ? inner(gap) : /\?/.test(gap) ? 3 : /[.!…:]/.test(gap) || !gap ? 2 : -1, name });
    });
  }
  return marked;
}

function inner(gap: string): number {
  if (/[?!]/.test(gap)) return -1;
  if (gap.includes(',')) return 1;
  if (gap.includes(';')) return 4;
  return /[:–—]|--| - /.test(gap) ? 5 : 0;
}
