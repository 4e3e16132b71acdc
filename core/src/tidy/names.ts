import { doubleMetaphone } from 'double-metaphone';
import { distance } from 'fastest-levenshtein';
import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import type { Edit } from './edit.ts';
import type { Finder, Searched } from './finder.ts';
import type { MarksModel } from './marks/model.ts';

// Names of up to so many words, heard as up to so many.
const MOST_WORDS = 3;
// How alike the letters must be, of 1; less where the sound is the same; more for a word people use for itself.
const ALIKE = 0.72;
const ALIKE_IN_SOUND = 0.5;
const ALIKE_COMMON = 0.84;

type Name = { text: string; joined: string; sounds: readonly string[]; length: number; parts: readonly string[] };

/**
 * Names of House style and of the title where they were heard wrong: by sound (Double Metaphone, Philips 2000) and
 * spelling (edit distance), over one to three words, in lower case or split in two; and one name in several spellings.
 */
export const names: Finder = (material) => {
  const { words: all } = material;
  const heard = new Heard(material.model);
  const own = [...new Set([...material.house.names, ...titleNames(material.source.title)])];
  const found = own.length ? byHouse(own.map(nameOf), all, material, heard) : [];
  return [...found, ...bySpelling(all, material, own)];
};

const joinedOf = (text: string) => normal(text).replace(/[^\p{L}\p{N}]/gu, '');

function nameOf(text: string): Name {
  const parts = words(text).map((w) => normal(w.text));
  const joined = joinedOf(text);
  return { text, joined, sounds: soundsOf(joined), length: parts.length, parts };
}

const soundsOf = (joined: string): readonly string[] => [...new Set(doubleMetaphone(joined))].filter(Boolean);

/** Names a title holds: capitals after its first word, if the title has words in lower case too. */
function titleNames(title = ''): string[] {
  if (!/\s\p{Ll}{4,}/u.test(title)) return [];
  return Array.from(title.matchAll(/(?<=\S\s+)\p{Lu}[\p{L}’'-]{3,}(?:\s+\p{Lu}[\p{L}’'-]+)*/gu), (m) => m[0]);
}

/** What is known of words by themselves, looked up once for each. */
class Heard {
  readonly #sounds = new Map<string, readonly string[]>();

  constructor(readonly model: MarksModel | null) {}

  sounds(joined: string): readonly string[] {
    let found = this.#sounds.get(joined);
    if (!found) this.#sounds.set(joined, (found = soundsOf(joined)));
    return found;
  }

  isCommon(word: string): boolean {
    return this.model ? (this.model.lists(word) & 1) === 1 : word.length < 4;
  }
}

function byHouse(own: readonly Name[], all: readonly Word[], { flow }: Searched, heard: Heard): Omit<Edit, 'before'>[] {
  // By the first sound: a name heard wrong still begins as it did, near enough.
  const byStart = new Map<string, Name[]>();
  for (const name of own)
    for (const start of new Set(name.sounds.map((s) => CLASS[s.charAt(0)] ?? s.charAt(0))))
      byStart.set(start, [...(byStart.get(start) ?? []), name]);
  const right = rightPlaces(own, all, flow.text);
  const found: (Omit<Edit, 'before'> & { score: number })[] = [];
  all.forEach((word, i) => {
    for (let n = 1; n <= MOST_WORDS && i + n <= all.length; n++) {
      const last = all[i + n - 1]!;
      const text = flow.text.slice(word.from, last.to);
      if (n > 1 && /[.!?,;:]/.test(text)) break;
      const joined = joinedOf(text);
      if (joined.length < 3) continue;
      const [sound] = heard.sounds(joined);
      const start = CLASS[sound?.charAt(0) ?? ''] ?? sound?.charAt(0) ?? '';
      for (const name of byStart.get(start) ?? []) {
        const score = likeness(
          name,
          joined,
          all.slice(i, i + n).map((w) => normal(w.text)),
          heard,
        );
        if (score <= 0) continue;
        // Where the name stands as it should, nothing around it or inside it is another.
        if (right.some((r) => r.from < last.to && word.from < r.to && (r.name === name.text || r.to - r.from >= text.length))) continue;
        // A possessive ending is the sentence's, not the name's.
        const ending = /['’]s$/.exec(text)?.[0] ?? '';
        const isOwn = ending && !/['’]s$/.test(name.text);
        const to = isOwn ? last.to - ending.length : last.to;
        if (flow.text.slice(word.from, to).replace(/\s+/g, ' ') === name.text) continue;
        const as = flow.text.slice(word.from, to).replace(/\s+/g, ' ');
        found.push({
          kind: 'names',
          from: word.from,
          to,
          after: name.text,
          reason: `Heard as “${as}”`,
          group: `name:${normal(as)}>${name.text}`,
          score,
        });
      }
    }
  });
  // Of proposals for the same words the likest holds, and the longer of two as like.
  const kept: typeof found = [];
  for (const edit of found.sort((a, b) => b.score - a.score || b.to - b.from - (a.to - a.from))) {
    if (!kept.some((k) => k.from < edit.to && edit.from < k.to)) kept.push(edit);
  }
  return kept.map(({ score: _score, ...edit }) => edit);
}

/** Where names stand as they should. */
function rightPlaces(own: readonly Name[], all: readonly Word[], text: string): { name: string; from: number; to: number }[] {
  const exact = new Set(own.map((name) => name.text));
  return all.flatMap((word, i) =>
    all.slice(i, i + MOST_WORDS).flatMap(({ to }) => {
      const name = text.slice(word.from, to).replace(/\s+/g, ' ');
      return exact.has(name) ? [{ name, from: word.from, to }] : [];
    }),
  );
}

// First sounds that are taken for one another.
const CLASS: Record<string, string> = {
  B: 'P',
  P: 'P',
  T: 'T',
  D: 'T',
  '0': 'T',
  K: 'K',
  J: 'J',
  X: 'J',
  S: 'S',
  F: 'F',
  V: 'F',
  M: 'M',
  N: 'M',
  L: 'L',
  R: 'R',
  H: 'H',
  A: 'A',
};

/** How well some words pass for a name, of 1; 0 when they do not. */
function likeness(name: Name, joined: string, parts: readonly string[], heard: Heard): number {
  const longest = Math.max(name.joined.length, joined.length);
  if (Math.min(name.joined.length, joined.length) < longest * 0.55) return 0;
  const letters = 1 - distance(name.joined, joined) / longest;
  if (letters === 1) {
    // The name itself in other capitals or cut in two: unless it is a word like any other.
    const isWord = parts.length === 1 && name.length === 1 && heard.isCommon(parts[0]!);
    return isWord ? 0 : 1;
  }
  const isSame = heard.sounds(joined).some((s) => name.sounds.includes(s));
  const soundGap = Math.min(
    ...heard.sounds(joined).flatMap((s) => name.sounds.map((t) => distance(s, t) / Math.max(s.length, t.length, 1))),
  );
  // Words that people use for themselves: all of them common, and none of them a part of the name.
  const common = parts.filter((p) => heard.isCommon(p)).length;
  const shared = parts.some((p) => name.parts.includes(p) && !heard.isCommon(p));
  const isCommon = common === parts.length && !shared;
  const nearly = isSame ? ALIKE_IN_SOUND : soundGap <= 0.34 ? ALIKE : 1;
  const least = isCommon ? (isSame && parts.length > 1 && joined.length >= 6 ? 0.6 : Math.max(nearly, ALIKE_COMMON)) : nearly;
  // A plural or a possessive of some other word is no mishearing.
  if (letters < least || (isCommon && parts.length === 1 && name.length === 1)) return 0;
  // Short words are alike by chance.
  if (joined.length <= 4 && name.joined.length <= 5 && !(isSame && letters >= 0.6 && !isCommon)) return 0;
  return letters * 0.7 + (1 - soundGap) * 0.3;
}

/** One name in several spellings inside the source: the one that stands most often, or House style's, holds. */
function bySpelling(all: readonly Word[], { flow }: Searched, own: readonly string[]): Omit<Edit, 'before'>[] {
  const isOwn = new Set(own.flatMap((name) => words(name).map((w) => w.text)));
  const places = new Map<string, Word[]>();
  const lower = new Set(all.filter((w) => w.text === w.text.toLowerCase()).map((w) => w.text));
  for (const word of all) {
    if (!/^\p{Lu}\p{Ll}{4,}$/u.test(word.text) || lower.has(word.text.toLowerCase())) continue;
    if (/[.!?…]["'”’)]*\s+$|^$|\n\s*$/.test(flow.text.slice(Math.max(0, word.from - 4), word.from)) && !places.has(word.text)) continue;
    places.set(word.text, [...(places.get(word.text) ?? []), word]);
  }
  const spellings = [...places.keys()].sort(
    (a, b) => Number(isOwn.has(b)) - Number(isOwn.has(a)) || places.get(b)!.length - places.get(a)!.length,
  );
  const found: Omit<Edit, 'before'>[] = [];
  const settled = new Set<string>();
  for (const right of spellings) {
    if (settled.has(right)) continue;
    for (const other of spellings) {
      if (other === right || settled.has(other) || isOwn.has(other) || other.charAt(0) !== right.charAt(0)) continue;
      const gap = distance(right.toLowerCase(), other.toLowerCase());
      const isInflected = other === `${right}s` || right === `${other}s`;
      if (
        gap > 2 ||
        isInflected ||
        !soundsOf(joinedOf(right)).some((s) => soundsOf(joinedOf(other)).includes(s)) ||
        places.get(other)!.length >= places.get(right)!.length
      )
        continue;
      settled.add(other);
      for (const word of places.get(other)!) {
        found.push({
          kind: 'names',
          from: word.from,
          to: word.to,
          after: right,
          reason: `Elsewhere spelt “${right}”`,
          group: `name:${normal(other)}>${right}`,
        });
      }
    }
  }
  return found;
}
