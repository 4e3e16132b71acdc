import { distance } from 'fastest-levenshtein';
import { isContentWord, normal, stem } from '../../language/terms.ts';
import { type Word, words } from '../../language/words.ts';
import { DEEDS, isClosed } from '../../tidy/index.ts';
import { type Alignment, placeThere } from './alignment.ts';
import { type Known, witnesses } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';

// A name said once is not said in every sentence about who bears it: so far around it may be spoken of.
const AROUND = 6;
// Names so short are too like each other; in names so long two letters may be wrong.
const SHORTEST = 4;
const LONG = 7;

/** Names nobody said, or that stand where another is spoken of. */
export function unsaidNames(statement: Statement, known: Known, aligned: Alignment | null): Doubt[] {
  const { text, rests } = statement;
  return namesIn(text, known).flatMap((name): Doubt[] => {
    const word = plain(name.text);
    if (known.own.has(word)) return [];
    const at = known.places.get(word) ?? known.places.get(otherNumber(word)) ?? [];
    const near = witnesses(known, statement, name.text);
    const place = aligned && placeThere(aligned, name.from, name.to, 1);
    // Where it stands another is spoken of.
    const instead = place?.some((w) => isContentWord(w.text)) && !place.some((w) => w.stem === stem(name.text));
    if (!near.length && at.length && !instead) return [];
    // Where it is not known what a sentence rests on, it may rest on wherever the name is said, unless another stands in its place.
    if (!rests.length && at.length && !place?.some((w) => /^\p{Lu}/u.test(w.text) && isContentWord(w.text) && w.stem !== stem(name.text)))
      return [];
    const around = CALENDAR.test(word) ? 0 : rests.length ? 0 : AROUND;
    const isNear = near.some((m) => {
      const { source } = known.index.sentences[m]!;
      for (let n = m - around; n <= m + around; n++)
        if (known.said[n]?.has(word) && known.index.sentences[n]!.source === source) return true;
      return false;
    });
    if (isNear && !instead) return [];
    const meant = at.length || CALENDAR.test(word) ? undefined : likeName(name.text, known);
    const doubt: Doubt = {
      kind: 'name',
      from: name.from,
      to: name.to,
      says: name.text,
      elsewhere: at[0] ?? null,
      near: rests.length || at.length ? near : [],
    };
    return [meant ? { ...doubt, meant } : doubt];
  });
}

const names = new WeakMap<Known, string[]>();

/** A name of the material that is spelled nearly like a word, a letter or, in long ones, two apart. */
function likeName(word: string, known: Known): string | undefined {
  let all = names.get(known);
  if (!all) {
    const inside = known.index.sentences.flatMap(({ text }) => namesIn(text, known));
    const voices = [...known.voices].flatMap((voice) => words(voice));
    names.set(known, (all = [...new Set([...inside, ...voices].map(({ text }) => text.replace(/['’]s$/, '')))]));
  }
  const apart = word.length >= LONG ? 2 : 1;
  return all.find((name) => name.length >= SHORTEST && distance(name, word) <= apart);
}

const plain = (word: string): string => normal(word).replace(/'s?$/, '');

const CALENDAR =
  /^(?:monday|tuesday|wednesday|thursday|friday|saturday|sunday|january|february|march|april|may|june|july|august|september|october|november|december)$/;

// "On Saturdays" is said of a Saturday.
const otherNumber = (word: string): string => (/day$/.test(word) ? `${word}s` : word.replace(/days$/, 'day'));

const FORM_OF_ADDRESS = /^(?:Mrs?|Ms|Miss|Dr|Prof|Sir)$/;

/** Words with a capital that no sentence begins with; and of those that do, the ones the material itself knows as names. */
export function namesIn(text: string, known: Known): Word[] {
  const all = words(text);
  return all.filter((word, i) => {
    if (
      !/^\p{Lu}[\p{L}'’-]*\p{Ll}/u.test(word.text) ||
      isClosed(normal(word.text)) ||
      FORM_OF_ADDRESS.test(word.text) ||
      /^I['’]/.test(word.text)
    )
      return false;
    const opens = i === 0 || /[.!?…:“"]\s*$/.test(text.slice(all[i - 1]!.to, word.from));
    if (!opens || CALENDAR.test(normal(word.text))) return true;
    // Whoever begins a sentence with it: a name is followed by a name, or the material has it inside sentences.
    const next = all[i + 1];
    // "Press Tab" tells a deed.
    const isFullName =
      next !== undefined && !DEEDS.has(normal(word.text)) && text.slice(word.to, next.from) === ' ' && /^\p{Lu}\p{Ll}/u.test(next.text);
    return isFullName || isNameOf(known, word.text);
  });
}

const isName = new WeakMap<Known, Map<string, boolean>>();

/** Whether the material writes a word with a capital inside a sentence. */
function isNameOf(known: Known, word: string): boolean {
  let seen = isName.get(known);
  if (!seen) isName.set(known, (seen = new Map()));
  const key = plain(word);
  let answer = seen.get(key);
  if (answer === undefined) {
    const inside = new RegExp(`[\\p{Ll},] ${key.replace(/[^\p{L}]/gu, '.')}\\b`, 'iu');
    const capital = key.charAt(0).toUpperCase();
    answer = (known.places.get(key) ?? []).some((n) => {
      const hit = inside.exec(known.index.sentences[n]!.text);
      return hit !== null && hit[0].charAt(2) === capital;
    });
    seen.set(key, answer);
  }
  return answer;
}
