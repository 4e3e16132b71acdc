import { distance } from 'fastest-levenshtein';
import type { Speller } from '../language/speller.ts';
import { sentences } from '../language/sentences.ts';
import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import type { Ready } from './check.ts';
import type { Stretch } from './stretches.ts';

/** A word of a stretch as it is looked up. */
type Looked = Word & { isFirst: boolean };

// A stretch never changes: another stands in its place.
const known = new WeakMap<Stretch, Looked[]>();

// Addresses, names of files, figures, measures and marks are no words.
const NO_WORD = /[\d@/\\_]/;
const AROUND = /[\w@/\\#~]/;

/** The words of a stretch that can be spelt right or wrong: no code, no figure, no part of an address; those with hyphens part by part. */
function wordsIn(stretch: Stretch): Looked[] {
  let found = known.get(stretch);
  if (found) return found;
  const { text, node } = stretch;
  const codes: { from: number; to: number }[] = [];
  node.forEach((child, at) => {
    if (child.marks.some((mark) => mark.type.name === 'code')) codes.push({ from: at, to: at + child.nodeSize });
  });
  const starts = new Set(sentences(text).map(({ from, text }) => from + (words(text)[0]?.from ?? 0)));
  found = words(text).flatMap(({ text: word, from, to }): Looked[] => {
    const isApart = !AROUND.test(text[from - 1] ?? '') && !/^(?:[@/\\_]|:\/\/)/.test(text.slice(to, to + 3)) && !/\.\p{L}/u.test(word);
    if (!isApart || NO_WORD.test(word) || codes.some((code) => from < code.to && code.from < to)) return [];
    const parts: Looked[] = [];
    for (const part of word.matchAll(/[^-]+/g)) {
      const at = from + part.index;
      parts.push({ text: part[0], from: at, to: at + part[0].length, isFirst: starts.has(at) });
    }
    return parts;
  });
  known.set(stretch, found);
  return found;
}

const isCapital = (word: string): boolean => /^\p{Lu}/u.test(word);
// Any word can be joined with a verb: somebody’d, the kettle’ll.
const bare = (word: string): string => word.replace(/[’'](?:s|d|ll|ve|re)?$/i, '');

// What is known of a stretch by one speller holds as long as the stretch stands: the words it does not know, and those of one English.
type SpeltBy = { speller: Speller; unknown: Looked[]; oneEnglish: { word: Looked; english: 'British' | 'American' }[] };
const spelled = new WeakMap<Stretch, SpeltBy>();
const named = new WeakMap<Stretch, string[]>();

function speltBy(stretch: Stretch, speller: Speller): SpeltBy {
  let found = spelled.get(stretch);
  if (found?.speller !== speller) {
    const all = wordsIn(stretch);
    const oneEnglish =
      speller.english === 'either'
        ? all.flatMap((word) => {
            const english = isCapital(word.text) && !word.isFirst ? null : speller.only(word.text.toLowerCase());
            return english ? [{ word, english }] : [];
          })
        : [];
    spelled.set(stretch, (found = { speller, unknown: all.filter((word) => !isKnown(word, speller)), oneEnglish }));
  }
  return found!;
}

/** The words written with a capital inside a sentence of a stretch: names, for all we know. */
function namesIn(stretch: Stretch): string[] {
  let found = named.get(stretch);
  if (!found) {
    const capitals = wordsIn(stretch).filter(({ text, isFirst }) => !isFirst && isCapital(text));
    named.set(stretch, (found = capitals.map(({ text }) => normal(bare(text)))));
  }
  return found;
}

/** The names of a page and of the house. */
const namesOf = ({ stretches, house }: Ready): Set<string> =>
  new Set([...house.names.flatMap((name) => words(name).map((w) => normal(w.text))), ...stretches.flatMap(namesIn)]);

// So many unknown words, and so much of a stretch, are another language.
const FOREIGN_WORDS = 4;
const FOREIGN_SHARE = 0.5;

/** What spelling finds in a stretch: the words nobody knows, or that it is in another language. */
export type Spelt = { unknown: Word[]; isForeign: boolean };

// Several checks of one proof ask the same.
const spellings = new WeakMap<Ready, { stretch: Stretch; spelt: Spelt }[]>();

/** Looks the words of each stretch up; nothing without a speller. */
export function spellingOf(post: Ready): { stretch: Stretch; spelt: Spelt }[] {
  const { speller } = post;
  if (!speller) return [];
  let found = spellings.get(post);
  if (!found) {
    const names = namesOf(post);
    spellings.set(post, (found = post.stretches.map((stretch) => ({ stretch, spelt: spelt(stretch, speller, names) }))));
  }
  return found;
}

// Shorter names are near some word by chance.
const LONG_NAME = 6;

// English joins words as it needs them: barcode, whitethorn, upcycling.
const SHORTEST_PART = 3;
const PREFIXED = /^(?:re|un|up|on|de|pre|non|sub|anti|mini|semi|multi|micro)(\p{L}{5,})$/u;
// These are never joined to what follows, but in the words everybody knows.
const STANDS_ALONE = /^(?:each|every|any|some|the|and|not|very|all|this|that)/;

function isCompound(word: string, speller: Speller): boolean {
  const rest = PREFIXED.exec(word)?.[1];
  if (rest && speller.knows(rest)) return true;
  if (STANDS_ALONE.test(word)) return false;
  for (let at = SHORTEST_PART; at <= word.length - SHORTEST_PART - 1; at++)
    if (speller.knows(word.slice(0, at)) && speller.knows(word.slice(at))) return true;
  return false;
}

/** Whether two words differ by one letter, or by two that changed places. */
function isOneOff(a: string, b: string): boolean {
  if (distance(a, b) === 1) return true;
  const n = [...a].findIndex((letter, k) => letter !== b[k]);
  return n >= 0 && a.length === b.length && a[n] === b[n + 1] && a[n + 1] === b[n] && a.slice(n + 2) === b.slice(n + 2);
}

/** Whether a word is one slip away from another. */
const isSlip = (word: string, speller: Speller): boolean =>
  speller.suggests(word).some((other) => other === other.toLowerCase() && isOneOff(word, other));

function spelt(stretch: Stretch, speller: Speller, names: ReadonlySet<string>): Spelt {
  const unknown = speltBy(stretch, speller).unknown.filter(({ text }) => !names.has(normal(bare(text))));
  const isForeign = unknown.length >= FOREIGN_WORDS && unknown.length >= FOREIGN_SHARE * wordsIn(stretch).length;
  return { unknown, isForeign };
}

function isKnown({ text, isFirst }: Looked, speller: Speller): boolean {
  const word = bare(text).replaceAll('’', "'");
  if (word.length < 3 || /^\p{Lu}+$/u.test(word) || /\p{Ll}\p{Lu}/u.test(word) || (isCapital(word) && !isFirst)) return true;
  const lower = word.toLowerCase();
  if (speller.knows(word) || speller.knows(lower) || speller.knows(text.replaceAll('’', "'"))) return true;
  if (isCompound(lower, speller)) return !isSlip(lower, speller);
  // What opens a sentence may be a name nobody knows; it is a slip where it is long, and one letter off a word.
  return isCapital(word) && (word.length < LONG_NAME || !isSlip(lower, speller));
}

/** The words of a page that are right in one English alone, by which. */
export const oneEnglishOf = ({ stretches, speller }: Ready): { stretch: Stretch; word: Word; english: 'British' | 'American' }[] =>
  speller ? stretches.flatMap((stretch) => speltBy(stretch, speller).oneEnglish.map((found) => ({ stretch, ...found }))) : [];
