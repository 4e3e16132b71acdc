import { isTalk } from '../../language/spoken.ts';
import { isTimed, type Passage } from '../../gather/index.ts';
import { normal } from '../../language/terms.ts';
import { words, type Word } from '../../language/words.ts';
import type { Edit } from '../edit.ts';
import type { Finder, Searched } from '../finder.ts';
import { blocksOf, passageAt } from '../flow.ts';
import { closesGreeting, endsInTag, hangsOn, isAsked, leansBack, opensPlainly } from './openings.ts';
import { hearAsTalk } from './told.ts';
import type { Marks } from './chances.ts';
import { marksOf, NO_PAUSE, PAUSE, UNKNOWN } from './model.ts';

// A stretch of so many words without an end mark and almost without commas was heard, not written.
const BARE_WORDS = 45;
const MOST_COMMAS = 1 / 50;
// Speech has fewer words before it is plain that nobody put marks in.
const BARE_SPOKEN = 8;
const PAUSE_MS = 280;

// How sure the network has to be: chosen on documents it was not trained on, for the best balance of missed and false.
const SURE = {
  end: 0.32,
  endHeard: 0.38,
  // Of a question, by the share of its end that asks, and by the end itself: a mark too many reads worse than one too few.
  question: 0.2,
  questionEnd: 0.5,
  beforeOpening: 0.15,
  whole: 0.6,
  word: 0.5,
  comma: 0.3,
  commaHeard: 0.38,
  // Of a comma in talk, chosen on talks that were not taught.
  commaOfTalk: 0.25,
  commaOfTalkHeard: 0.32,
  // Of a comma between a number and what it may count.
  counted: 0.6,
  // Of a comma between two names, as in a list of them.
  parted: 0.5,
  name: 0.36,
};

/**
 * Sentences: words that carry no marks get full stops, question marks, commas and capitals, after the network for
 * marks and the pauses between the words. Text that has its marks is left alone.
 */
export const sentenceMarks: Finder = (material) => {
  if (!material.model) return [];
  const gone = wordsGone(material.found);
  return bareStretches(material).flatMap((stretch) => marksFor(stretch, material, gone));
};

type MarkedStretch = { from: number; to: number };

/** The stretches of a source that nobody has put marks in. */
function bareStretches({ source, flow, words: all }: Searched): MarkedStretch[] {
  const spoken = isTimed(source);
  const units: MarkedStretch[] = spoken ? [{ from: 0, to: flow.text.length }] : blocksOf(flow, source);
  return units.flatMap((unit) => {
    const text = flow.text.slice(unit.from, unit.to);
    const cuts = [0, ...Array.from(text.matchAll(/[.!?…;:]["'”’)]*(?=\s|$)/g), (m) => m.index + m[0].length), text.length];
    const isMarked = cuts.length > 2;
    return cuts.slice(1).flatMap((to, i) => {
      const from = cuts[i]!;
      const stretch = text.slice(from, to);
      const count = firstFrom(all, unit.from + to) - firstFrom(all, unit.from + from);
      const commas = stretch.split(',').length - 1;
      const least = spoken && !isMarked ? BARE_SPOKEN : BARE_WORDS;
      return count >= least && commas <= count * MOST_COMMAS ? [{ from: unit.from + from, to: unit.from + to }] : [];
    });
  });
}

/** The number of the first word that begins at an offset or later. */
function firstFrom(all: readonly Word[], offset: number): number {
  let [low, high] = [0, all.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (all[middle]!.from < offset) low = middle + 1;
    else high = middle;
  }
  return low;
}

type Gone = Pick<Edit, 'kind' | 'from' | 'to'>;

/** The stretches that repairs found before take out, in the order of the text; what an edit puts in stands at its end. */
const wordsGone = (found: readonly Edit[]): Gone[] =>
  found
    .filter((e) => e.kind === 'fillers' || e.kind === 'doubled')
    .map(({ kind, from, to, after }) => ({ kind, from, to: to - after.trim().length }))
    .sort((a, b) => a.from - b.from);

function marksFor(
  { from, to }: MarkedStretch,
  { source, flow, house, model, ...material }: Searched,
  allGone: readonly Gone[],
): Omit<Edit, 'before'>[] {
  const text = flow.text.slice(from, to);
  const gone = allGone.filter((e) => e.from < to && e.to > from);
  let g = 0;
  const kept: Word[] = [];
  const said: string[] = [];
  const end = firstFrom(material.words, to);
  for (let i = firstFrom(material.words, from); i < end; i++) {
    const word = material.words[i]!;
    while (gone[g] && gone[g]!.to <= word.from) g++;
    if (gone[g] && gone[g]!.from <= word.from && gone[g]!.to >= word.to) continue;
    kept.push(word);
    said.push(material.said[i]!);
  }
  const pauses = pausesAfter(kept, flow.starts, source.passages, flow);
  // A pause before words that are said again is no end.
  const again = gone.filter((e) => e.kind === 'doubled');
  let a = 0;
  kept.forEach((word, i) => {
    const next = kept[i + 1];
    while (again[a] && again[a]!.from < word.to - 1) a++;
    if (next && again[a] && again[a]!.to <= next.from + 1) pauses[i] = UNKNOWN;
  });
  const marks = marksOf(model!, said, pauses);
  const isSpoken = isTalk(said);
  if (isSpoken) hearAsTalk(model!.told, said, marks, pauses);
  const isHeard = pauses.some((p) => p !== UNKNOWN);
  const own = namesOf(house.names, source.title);
  vote(said, marks.name, own, (word) => (model!.lists(word) & 1) === 1);
  const last = kept.length - 1;
  const ends = endsOf(said, marks, isHeard ? pauses : null, isSpoken);
  for (let i = 0; i < last; i++) if (ends[i] && isOneName(marks, i)) ends[i] = '';
  // The words of a stretch that something else goes on after have their mark already.
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

/** Whether word i and the next are one name, unless the sentence surely ends between them. */
const isOneName = ({ name, end, comma }: Marks, i: number): boolean =>
  end[i]! < SURE.whole && comma[i]! < SURE.parted && name[i]! > SURE.name && name[i + 1]! > SURE.name;

const SELF = /^i(?:'(?:m|ve|ll|d|s))?$/;
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);
const isShouted = (text: string) => {
  const letters = text.replace(/[^\p{L}]/gu, '');
  return letters.length > 20 && letters.replace(/[^\p{Lu}]/gu, '').length > letters.length * 0.85;
};

/** What is known of the pause after each word: from the times of words, or from a gap between two cues. */
function pausesAfter(kept: readonly Word[], starts: readonly number[], passages: readonly Passage[], flow: Searched['flow']): Uint8Array {
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
const LEADS_ON_ALWAYS = new Set(
  'a an the of and or but if because than as my your our their its his her i we is are was were be been'.split(' '),
);
// These only before a pause, as in "put it in".
const LEADS_ON = new Set([...LEADS_ON_ALWAYS, ...'to in on at by for from with am'.split(' ')]);
// A speaker's pauses are believed when so many of them, of so many at least, stand where a sentence surely ends.
const TELLING = 0.6;
const FEWEST_PAUSES = 12;

/** Whether a sentence ends at a pause whatever the network says: where the pauses of a speaker mostly mean that. */
function tellsEnds(pauses: Uint8Array, marks: Marks): (i: number) => boolean {
  let heard = 0;
  let sum = 0;
  pauses.forEach((pause, i) => {
    if (pause !== PAUSE) return;
    heard++;
    sum += marks.end[i]!;
  });
  const isTelling = heard >= FEWEST_PAUSES && sum / heard > TELLING;
  return (i) => isTelling && pauses[i] === PAUSE;
}

/** The mark after each word: a full stop, a question mark, a comma, or none. */
function endsOf(said: readonly string[], marks: Marks, pauses: Uint8Array | null, isSpoken: boolean): string[] {
  const ends = said.map(() => '');
  const sure = pauses ? SURE.endHeard : SURE.end;
  const sureComma = isSpoken ? (pauses ? SURE.commaOfTalkHeard : SURE.commaOfTalk) : pauses ? SURE.commaHeard : SURE.comma;
  const isTold = pauses ? tellsEnds(pauses, marks) : () => false;
  for (let i = 0; i < said.length; i++) {
    const enough = opensPlainly(said, i + 1) ? SURE.beforeOpening : sure;
    const leadsOn = LEADS_ON.has(said[i]!);
    if (closesGreeting(said, i) || (marks.end[i]! > enough && !leadsOn) || (isTold(i) && !LEADS_ON_ALWAYS.has(said[i]!))) ends[i] = '.';
    else if (marks.comma[i]! > (counts(said, i) ? SURE.counted : sureComma) && !leadsOn) ends[i] = ',';
  }
  // A word is seldom a sentence: of two ends so near each other the surer one holds.
  for (let i = 1; i < said.length; i++) {
    if (ends[i] !== '.' || ends[i - 1] !== '.' || Math.min(marks.end[i]!, marks.end[i - 1]!) > SURE.word) continue;
    ends[marks.end[i]! < marks.end[i - 1]! ? i : i - 1] = '';
  }
  for (let i = 0, first = 0; i < said.length; i++) {
    if (ends[i] !== '.') continue;
    if (isQuestion(said, marks, ends, i)) ends[i] = '?';
    else if (marks.end[i]! < SURE.whole && leansBack(said, i + 1)) ends[i] = ',';
    else if (marks.end[i]! < SURE.whole && hangsOn(said, first, i + 1, ends.slice(first, i).includes(','))) {
      ends[i] = ',';
      continue;
    }
    first = i + 1;
  }
  return ends;
}

const NUMBER =
  /^(?:\d[\d.,]*|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|(?:thir|four|fif|six|seven|eigh|nine)teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty|hundred|thousand|half)$/;
const BEGINS = new Set(
  'and but or so then if when while because which that this it i you we they he she there here not no for in on at with to from now okay'.split(
    ' ',
  ),
);

/** Whether a word is a number and the next may be what it counts: "1 metre", "two screws". */
const counts = (said: readonly string[], i: number): boolean =>
  NUMBER.test(said[i]!) && said[i + 1] !== undefined && !NUMBER.test(said[i + 1]!) && !BEGINS.has(said[i + 1]!);

// A longer run of words begins to ask and ends up saying something.
const LONGEST_QUESTION = 14;

/**
 * Whether the sentence that ends at word i asks: it has the form of a question, by the order of its words or by a tag at
 * its end, and the network agrees that it ends there and asks.
 */
function isQuestion(said: readonly string[], marks: Marks, ends: readonly string[], i: number): boolean {
  let first = i;
  while (first > 0 && !/[.?]/.test(ends[first - 1]!)) first--;
  if (endsInTag(said, first, i + 1)) return true;
  if (i + 1 - first > LONGEST_QUESTION || !isAsked(said, first, i + 1)) return false;
  return marks.end[i]! > SURE.questionEnd && marks.question[i]! > SURE.question * marks.end[i]!;
}
