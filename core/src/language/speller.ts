// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the package has no types of its own
/// <reference path="../nspell.d.ts" />
import { distance } from 'fastest-levenshtein';
import nspell from 'nspell';
import { normal } from './terms.ts';

/** The files of a dictionary (Hunspell): its rules and its words. */
export type DictionaryFiles = { aff: string; dic: string };

/** Which English words are spelt in: either where nobody says. */
export type English = 'British' | 'American' | 'either';

/** What knows how words are spelt. */
export type Speller = {
  english: English;
  /** Whether a word is spelt right in the English asked for. */
  knows(word: string): boolean;
  /** The English a word is right in alone; null when it is right in both or in none. */
  only(word: string): 'British' | 'American' | null;
  /** What may be meant instead, the likeliest first; at most five. */
  suggests(word: string): string[];
};

const MOST_SUGGESTED = 5;
// Two words that are often written as one.
const JOINED =
  /^(a|as|at|in|no|each|every|any|all|thank)(lot|few|bit|well|long|soon|least|all|fact|front|case|order|one|other|time|right|you)$/i;
// Words the dictionaries know and nobody wants proposed.
const CRUDE =
  /^(?:milf|fuck|shit|cunt|cock|dick|twat|wank|arse|ass|tit|slut|whore|nigg|fag|piss|crap|bitch|bastard|dark(?:ie|y)|coon|spic|chink|gook|dyke|poof)/i;

/** Whether a word can have been meant by another: near enough for its length, and no name where none was written. */
const isNear = (word: string, other: string): boolean =>
  distance(word.toLowerCase(), other.toLowerCase()) <= 1 + Math.floor(word.length / 5) &&
  (!/^\p{Lu}/u.test(other) || /^\p{Lu}/u.test(word) || other.toLowerCase() === word);

/** Makes a speller of the dictionaries of British and American English. */
export function makeSpeller(files: Record<'British' | 'American', DictionaryFiles>, english: English): Speller {
  const dictionaries = { British: nspell(files.British.aff, files.British.dic), American: nspell(files.American.aff, files.American.dic) };
  const asked = english === 'either' ? [dictionaries.British, dictionaries.American] : [dictionaries[english]];
  const known = new Map<string, boolean>();
  const alone = new Map<string, 'British' | 'American' | null>();
  const suggested = new Map<string, string[]>();
  const knows = (word: string): boolean => {
    let is = known.get(word);
    if (is === undefined) known.set(word, (is = asked.some((dictionary) => dictionary.correct(word))));
    return is;
  };
  return {
    english,
    knows,
    only(word) {
      let one = alone.get(word);
      if (one === undefined) {
        const [british, american] = [dictionaries.British.correct(word), dictionaries.American.correct(word)];
        alone.set(word, (one = british === american ? null : british ? 'British' : 'American'));
      }
      return one;
    },
    suggests(word) {
      let found = suggested.get(word);
      if (!found) {
        // Two letters typed the wrong way round are the commonest slip, and the dictionaries put it last.
        const turned = Array.from(word.slice(1), (_, n) => word.slice(0, n) + word[n + 1]! + word[n]! + word.slice(n + 2)).filter(
          (other) => normal(other) !== normal(word) && knows(other),
        );
        const [, joined, rest] = JOINED.exec(word) ?? [];
        const apart = joined ? [`${joined} ${rest}`] : [];
        found = [...new Set([...apart, ...turned, ...asked[0]!.suggest(word).filter((other) => isNear(word, other))])]
          .filter((other) => !CRUDE.test(other))
          .slice(0, MOST_SUGGESTED);
        suggested.set(word, found);
      }
      return found;
    },
  };
}
