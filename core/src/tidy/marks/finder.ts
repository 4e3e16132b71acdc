import { isTimed, type Passage } from '../../gather/source.ts';
import { normal } from '../../language/terms.ts';
import { words, type Word } from '../../language/words.ts';
import type { Edit } from '../edit.ts';
import type { Finder, Material } from '../finders.ts';
import { passageAt } from '../flow.ts';
import { listsOf } from './lexicon.ts';
import { closesGreeting, isAsked, opensPlainly } from './openings.ts';
import { marksOf, NO_PAUSE, PAUSE, UNKNOWN, type Marks } from './model.ts';

// A stretch of so many words without an end mark and almost without commas was heard, not written.
const BARE_WORDS = 45;
const MOST_COMMAS = 1 / 50;
// Speech has fewer words before it is plain that nobody put marks in.
const BARE_SPOKEN = 8;
const PAUSE_MS = 280;

// How sure the network has to be: chosen on documents it was not trained on, for the best balance of missed and false.
const SURE = { end: 0.29, endHeard: 0.4, question: 0.3, beforeOpening: 0.06, comma: 0.27, name: 0.46 };

/**
 * Sentences: words that carry no marks get full stops, question marks, commas and capitals, after the network for
 * marks and the pauses between the words. Text that has its marks is left alone.
 */
export const sentenceMarks: Finder = (material) => {
  if (!material.model) return [];
  return bareStretches(material).flatMap((stretch) => marksFor(stretch, material));
};

type Stretch = { from: number; to: number };

/** The stretches of a source that nobody has put marks in. */
function bareStretches({ source, flow }: Material): Stretch[] {
  const spoken = isTimed(source);
  const units: Stretch[] = spoken
    ? [{ from: 0, to: flow.text.length }]
    : source.passages.map((p, i) => ({ from: flow.starts[i]!, to: flow.starts[i]! + p.text.length }));
  return units.flatMap((unit) => {
    const text = flow.text.slice(unit.from, unit.to);
    const cuts = [0, ...Array.from(text.matchAll(/[.!?…;:]["'”’)]*(?=\s|$)/g), (m) => m.index + m[0].length), text.length];
    const isMarked = cuts.length > 2;
    return cuts.slice(1).flatMap((to, i) => {
      const from = cuts[i]!;
      const stretch = text.slice(from, to);
      const count = words(stretch).length;
      const commas = stretch.split(',').length - 1;
      const least = spoken && !isMarked ? BARE_SPOKEN : BARE_WORDS;
      return count >= least && commas <= count * MOST_COMMAS ? [{ from: unit.from + from, to: unit.from + to }] : [];
    });
  });
}

function marksFor({ from, to }: Stretch, { source, flow, found, house, model }: Material): Omit<Edit, 'before'>[] {
  const text = flow.text.slice(from, to);
  const gone = found.filter((e) => e.from < to && e.to > from && !e.after.trim());
  let g = 0;
  const kept = words(text)
    .map((w): Word => ({ ...w, from: w.from + from, to: w.to + from }))
    .filter((w) => {
      while (gone[g] && gone[g]!.to <= w.from) g++;
      return !gone.slice(g, g + 3).some((e) => e.from <= w.from && e.to >= w.to);
    });
  const said = kept.map((w) => normal(w.text));
  const pauses = pausesAfter(kept, flow.starts, source.passages, flow);
  const marks = marksOf(model!, said, pauses);
  const isHeard = pauses.some((p) => p !== UNKNOWN);
  const own = namesOf(house.names, source.title);
  vote(said, marks.name, own, (word) => (listsOf(word, model!.filters) & 1) === 1);
  const ends = endsOf(said, marks, isHeard ? SURE.endHeard : SURE.end);
  // The words of a stretch that something else goes on after have their mark already.
  const last = kept.length - 1;
  const isClosed = /[.!?…;:,]["'”’)]*\s*$/.test(text);
  if (last >= 0 && !isClosed) ends[last] = isQuestion(said, marks, ends, last) ? '?' : '.';
  else if (last >= 0) ends[last] = '';
  const shouted = isShouted(text);
  const edits: Omit<Edit, 'before'>[] = [];
  const opensAt = (i: number) =>
    i === 0
      ? /(?:^|[.!?…]["'”’)]*\s+)$/.test(flow.text.slice(Math.max(0, from - 6), from) + /^\s*/.exec(text)![0])
      : /[.?]/.test(ends[i - 1]!);
  kept.forEach((word, i) => {
    const group = `sentence:${i && /[.?]/.test(ends[i - 1]!) ? kept[i - 1]!.to : word.from}`;
    const isName = marks.name[i]! > SURE.name || SELF.test(said[i]!);
    const lower = shouted ? word.text.toLowerCase() : word.text;
    const shown = opensAt(i) || isName ? capital(lower) : lower;
    if (shown !== word.text) {
      const isWhole = shouted && shown.slice(1) !== word.text.slice(1);
      edits.push({
        kind: 'sentences',
        from: word.from,
        to: isWhole ? word.to : word.from + 1,
        after: isWhole ? shown : shown.slice(0, 1),
        reason: opensAt(i) ? 'A sentence begins' : isName ? 'A name' : 'In capitals throughout',
        ...(opensAt(i) ? { group } : {}),
      });
    }
    if (ends[i]) {
      const reason = { '.': 'A sentence ends', '?': 'A question ends', ',': 'A breath inside the sentence' }[ends[i]!]!;
      edits.push({
        kind: 'sentences',
        from: word.to,
        to: word.to,
        after: ends[i]!,
        reason,
        ...(ends[i] === ',' ? {} : { group: `sentence:${word.to}` }),
      });
    }
  });
  return edits;
}

const SELF = /^i(?:'(?:m|ve|ll|d|s))?$/;
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);
const isShouted = (text: string) => {
  const letters = text.replace(/[^\p{L}]/gu, '');
  return letters.length > 20 && letters.replace(/[^\p{Lu}]/gu, '').length > letters.length * 0.85;
};

/** What is known of the pause after each word: from the times of words, or from a gap between two cues. */
function pausesAfter(kept: readonly Word[], starts: readonly number[], passages: readonly Passage[], flow: Material['flow']): Uint8Array {
  const pauses = new Uint8Array(kept.length);
  if (!passages.some((p) => p.startMs !== undefined)) return pauses;
  const timesOf = passages.map((p, i) => (p.wordsMs ? wordTimes(p, starts[i]!) : null));
  for (let i = 0; i + 1 < kept.length; i++) {
    const [a, b] = [passageAt(flow, kept[i]!.from), passageAt(flow, kept[i + 1]!.from)];
    const [here, there] = [passages[a]!, passages[b]!];
    const end = timesOf[a]?.get(kept[i]!.from)?.end ?? (a === b ? undefined : here.endMs);
    const start = timesOf[b]?.get(kept[i + 1]!.from)?.start ?? (a === b ? undefined : there.startMs);
    if (end === undefined || start === undefined) continue;
    const isPause = start - end >= PAUSE_MS || (a !== b && here.speaker !== there.speaker && there.speaker !== undefined);
    // Two cues that touch say nothing: captions are often stretched to the next one.
    pauses[i] = isPause ? PAUSE : timesOf[a] ? NO_PAUSE : UNKNOWN;
  }
  return pauses;
}

/** The times of the words of a passage by where each begins in the flow. */
export function wordTimes({ text, wordsMs = [] }: Passage, start: number): Map<number, { start: number; end: number }> {
  const found = new Map<number, { start: number; end: number }>();
  // The times go with what stands between spaces, as the words came.
  Array.from(text.matchAll(/\S+/g)).forEach((m, i) => {
    const [from, to] = [wordsMs[2 * i], wordsMs[2 * i + 1]];
    if (from !== undefined && to !== undefined) for (const w of words(m[0])) found.set(start + m.index + w.from, { start: from, end: to });
  });
  return found;
}

/** House style's names and the names of the title, each as its words in normal form. */
function namesOf(house: readonly string[], title = ''): string[][] {
  // The first word of a title has its capital for another reason.
  const titled = Array.from(title.replace(/^\P{L}*\p{L}+/u, '').matchAll(/\p{Lu}[\p{L}’'-]+(?:\s+\p{Lu}[\p{L}’'-]+)*/gu), (m) => m[0]);
  return [...house.filter((name) => /\p{Lu}/u.test(name)), ...titled].map((name) => words(name).map((w) => normal(w.text)));
}

/** A word that is a name in most places is one in all: each place moves toward what all of them say together. */
function vote(said: readonly string[], name: Float32Array, own: readonly (readonly string[])[], isCommon: (word: string) => boolean): void {
  const places = new Map<string, number[]>();
  said.forEach((word, i) => {
    const list = places.get(word);
    if (list) list.push(i);
    else places.set(word, [i]);
  });
  for (const [, all] of places) {
    if (all.length < 2) continue;
    const mean = all.reduce((sum, i) => sum + name[i]!, 0) / all.length;
    for (const i of all) name[i] = (name[i]! + mean) / 2;
  }
  // Names that are known hold wherever they stand whole; their rarer words also by themselves.
  for (const parts of own) {
    for (const i of places.get(parts[0] ?? '') ?? []) {
      if (parts.length > 1 && parts.every((part, k) => said[i + k] === part))
        parts.forEach((part, k) => (name[i + k] = part.length > 3 || k === 0 ? 1 : name[i + k]!));
    }
    for (const part of parts) if (part.length > 2 && !isCommon(part)) for (const i of places.get(part) ?? []) name[i] = 1;
  }
}

// Words a sentence does not end with, whatever the network says.
const LEADS_ON = new Set(
  'a an the of to in on at by for from with and or but as my your our their its his her i we is are was were be been am'.split(' '),
);
/** The mark after each word: a full stop, a question mark, a comma, or none. */
function endsOf(said: readonly string[], marks: Marks, sure: number): string[] {
  const ends = said.map(() => '');
  for (let i = 0; i < said.length; i++) {
    const enough = opensPlainly(said, i + 1) ? SURE.beforeOpening : sure;
    if (closesGreeting(said, i) || (marks.end[i]! > enough && !LEADS_ON.has(said[i]!))) ends[i] = '.';
    else if (marks.comma[i]! > SURE.comma && !LEADS_ON.has(said[i]!)) ends[i] = ',';
  }
  for (let i = 0; i < said.length; i++) if (ends[i] === '.' && isQuestion(said, marks, ends, i)) ends[i] = '?';
  return ends;
}

/** Whether the sentence that ends at word i asks: by the order of its words, or by the network. */
function isQuestion(said: readonly string[], marks: Marks, ends: readonly string[], i: number): boolean {
  let first = i;
  while (first > 0 && !/[.?]/.test(ends[first - 1]!)) first--;
  return isAsked(said, first, i + 1) || marks.question[i]! > SURE.question * marks.end[i]!;
}
