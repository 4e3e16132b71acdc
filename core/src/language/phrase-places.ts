import { stem } from './terms.ts';
import { words, type Word } from './words.ts';

// "Game-changer" and "game changer" are the same.
const stemsIn = (text: string) => words(text.replaceAll('-', ' ')).map(({ text, from, to }) => ({ stem: stem(text), from, to }));
const SIGNS = /[^\p{L}\p{N}\s'’.,-]/u;
const ON_END = /^[\s"“”'‘’-]*$/;

/**
 * Where phrases stand in a text, in whatever form of their words and with or without hyphens: the words on end, their stems the
 * same. A phrase with signs in it is looked for as it is.
 */
export function phrasePlaces(text: string, phrases: readonly string[]): Word[] {
  const all = stemsIn(text);
  return phrases.flatMap((phrase) => (SIGNS.test(phrase) ? literally(text, phrase) : inAnyForm(text, all, phrase)));
}

function inAnyForm(text: string, all: ReturnType<typeof stemsIn>, phrase: string): Word[] {
  const wanted = stemsIn(phrase);
  const found: Word[] = [];
  for (let i = 0; wanted.length && i + wanted.length <= all.length; i++) {
    const isHere = wanted.every(
      ({ stem }, k) => all[i + k]!.stem === stem && (!k || ON_END.test(text.slice(all[i + k - 1]!.to, all[i + k]!.from))),
    );
    if (!isHere) continue;
    const [from, to] = [all[i]!.from, all[i + wanted.length - 1]!.to];
    found.push({ text: text.slice(from, to), from, to });
    i += wanted.length - 1;
  }
  return found;
}

function literally(text: string, phrase: string): Word[] {
  const found: Word[] = [];
  for (let from = text.indexOf(phrase); from >= 0; from = text.indexOf(phrase, from + phrase.length))
    found.push({ text: phrase, from, to: from + phrase.length });
  return found;
}
