import { wordCount } from '../../language/words.ts';
import type { Border } from './cutting.ts';
import { counted, likeness } from './likeness.ts';
import { pulls, type Spoken } from './pulls.ts';
import type { Subjects } from './subjects.ts';

/** A sentence of a talk, and how many words of it stand on the page. */
export type TalkUnit = Spoken & { words: number };

// A section has so many words, and the body so many sections more (chosen on talks with an editor's sections).
const WORDS_A_SECTION = 280;
const MORE = 2.2;
// Introduction and close are short, and vary more than other sections.
const INTRODUCTION = { words: 40, spread: 0.9 };
const CLOSE = { words: 90, spread: 0.9 };
const SPREAD = 0.4;
// Readers want no section below so many words, and none far above the rest.
const SHORTEST = 120;
const LONG = 350;
// How much the likeness of the words counts beside what announces a section, and the pull against lengths.
const LIKENESS = 0.2;
const PULL = 1;
// No section is looked at that is so many times as long as wanted.
const LONGEST = 3;
const MOST_BODIES = 40;

// Fewer words than these are no body with an introduction and a close around it.
const FEWEST_WITH_EDGES = 250;

/** How many sections a talk wants whose page has so many words, introduction and close among them. */
export function sectionsOfTalk(words: number): number {
  const bodies = Math.min(MOST_BODIES, Math.max(1, Math.round(MORE + words / WORDS_A_SECTION)));
  return words < FEWEST_WITH_EDGES ? Math.min(2, bodies) : bodies + 2;
}

/** The logarithm of a log-normal density of a length, without what is the same for all. */
const fits = (words: number, mean: number, spread: number) => -0.5 * (Math.log(Math.max(3, words) / mean) / spread) ** 2 - Math.log(spread);

/**
 * Cuts a talk into so many sections: where it announces one (pulls.ts), where its words change (likeness.ts), with lengths
 * readers like. The best set of borders is found by dynamic programming, as in cutting.ts.
 */
export function cutTalk(units: readonly TalkUnit[], sections: number, subjects: Subjects | null): Border[] {
  const n = units.length;
  const wanted = Math.max(1, Math.min(sections, n));
  if (wanted === 1) return [];
  const before = [0];
  for (const { words, text } of units) before.push(before.at(-1)! + words + 0.02 * wordCount(text));
  const total = before[n]!;
  const hasEdges = wanted >= 3;
  const mean = Math.max(60, (total - (hasEdges ? 100 : 0)) / (hasEdges ? wanted - 2 : wanted));
  const text = counted(
    units.map((u) => u.terms),
    subjects,
  );
  const extend = likeness(text, Math.max(8, (text.before[n]! / total) * mean));
  const pull = pulls(units);
  const places = placesOf(pull);
  const end = (place: number) => places[place] ?? n;
  // rows[i][j - i] is the likeness of the stretch from place i to place j.
  const rows = places.map((start, i) => {
    let last = i + 1;
    while (last < places.length && before[end(last + 1)]! - before[start]! <= LONGEST * mean) last++;
    const row = new Float64Array(last - i + 1);
    let j = i + 1;
    extend(start, end(last), (unit, nats) => {
      if (unit + 1 === end(j)) row[j++ - i] = nats;
    });
    return row;
  });
  const lengthOf = (i: number, j: number): number => {
    const words = before[end(j)]! - before[places[i]!]!;
    const body =
      fits(words, mean, SPREAD) - (words < SHORTEST ? (SHORTEST - words) / 15 : 0) - Math.max(0, (words - Math.max(LONG, 1.5 * mean)) / 50);
    if (hasEdges && i === 0) return Math.max(body - 0.5, fits(words, INTRODUCTION.words, INTRODUCTION.spread));
    if (hasEdges && j === places.length) return Math.max(body - 1.5, fits(words, CLOSE.words, CLOSE.spread));
    return body;
  };
  const m = places.length;
  let best = new Float64Array(m + 1).fill(-Infinity);
  best[0] = 0;
  const back: Int32Array[] = [];
  for (let s = 1; s <= wanted; s++) {
    const round = new Float64Array(m + 1).fill(-Infinity);
    const from = new Int32Array(m + 1);
    for (let i = s - 1; i < m; i++) {
      if (best[i] === -Infinity) continue;
      const own = best[i]! + (i ? PULL * pull[places[i]!]! : 0);
      for (let j = s === wanted ? m : i + 1; j < i + rows[i]!.length; j++) {
        const score = own + LIKENESS * rows[i]![j - i]! + lengthOf(i, j);
        if (score <= round[j]!) continue;
        round[j] = score;
        from[j] = i;
      }
    }
    back.push(from);
    best = round;
  }
  if (best[m] === -Infinity) return cutTalk(units, wanted - 1, subjects);
  const edges: number[] = [];
  for (let s = wanted, j = m; s > 1; s--) edges.unshift((j = back[s - 1]![j]!));
  return edges.map((place) => {
    const at = places[place]!;
    return { at, strength: pull[at]! - (pull[at + 1] ?? 0) };
  });
}

// Of a long talk, sections are begun only at so many of its sentences: those that speak most for it.
const MOST_PLACES = 400;

function placesOf(pull: readonly number[]): number[] {
  if (pull.length <= MOST_PLACES) return pull.map((_, i) => i);
  const ranked = pull
    .map((_, i) => i)
    .slice(1)
    .sort((a, b) => pull[b]! - pull[a]!);
  return [0, ...ranked.slice(0, MOST_PLACES - 1).sort((a, b) => a - b)];
}
