import { SHINGLE_WORDS, shinglesOf, type Shingle } from '../language/shingles.ts';
import { wordCount } from '../language/words.ts';
import type { Stretch } from './stretches.ts';

/** A text that must not stand on the page word for word: what it is called, and its shingles. */
export type Elsewhere = { title: string; shingles: ReadonlySet<number> };

/** Words of a page that stand elsewhere too, on end. */
export type Shared = { stretch: Stretch; from: number; to: number; words: number; title: string };

// So many words on end are no chance any more (own choice; phrases everybody uses are shorter).
const FEWEST_WORDS = 9;

const QUOTED = /“[^”]*”|"[^"]*"/g;

// A stretch never changes: another stands in its place.
const known = new WeakMap<Stretch, Shingle[]>();

/** The shingles of a stretch of the page. */
export function shinglesAt(stretch: Stretch): Shingle[] {
  let found = known.get(stretch);
  if (!found) known.set(stretch, (found = shinglesOf(stretch.text)));
  return found;
}

/** The runs of words of a page that stand elsewhere too, each where it is longest; what is quoted may. */
export function sharedWords(stretches: readonly Stretch[], elsewhere: readonly Elsewhere[]): Shared[] {
  return stretches.flatMap((stretch) => {
    if (stretch.inside.includes('blockquote')) return [];
    const shingles = shinglesAt(stretch);
    const runs = elsewhere.flatMap(({ title, shingles: there }) =>
      runsIn(shingles, there).flatMap((run) => (run.words >= FEWEST_WORDS ? [{ stretch, title, ...run }] : [])),
    );
    if (!runs.length) return [];
    const quoted = Array.from(stretch.text.matchAll(QUOTED), (m) => ({ from: m.index, to: m.index + m[0].length }));
    const taken: Shared[] = [];
    for (const run of runs.sort((a, b) => b.words - a.words)) {
      const isQuoted = quoted.some((q) => q.from <= run.from && run.to <= q.to);
      if (!isQuoted && !taken.some((other) => run.from < other.to && other.from < run.to)) taken.push(run);
    }
    return taken;
  });
}

function runsIn(shingles: readonly Shingle[], there: ReadonlySet<number>): { from: number; to: number; words: number }[] {
  const runs: { from: number; to: number; words: number }[] = [];
  let open: { from: number; to: number; words: number } | null = null;
  for (const { hash, from, to } of shingles) {
    if (!there.has(hash)) open = null;
    else if (open) Object.assign(open, { to, words: open.words + 1 });
    else runs.push((open = { from, to, words: SHINGLE_WORDS }));
  }
  return runs;
}

/** The share of a page's words that stand in a text word for word, five or more on end, 0 to 1. */
export function shareIn(stretches: readonly Stretch[], there: ReadonlySet<number>): number {
  let [shared, all] = [0, 0];
  for (const stretch of stretches) {
    all += wordCount(stretch.text);
    shared += runsIn(shinglesAt(stretch), there).reduce((sum, run) => sum + run.words, 0);
  }
  return all ? Math.min(1, shared / all) : 0;
}

/** The shingles of a text that stand in another too. */
export const sharedShingles = (own: ReadonlySet<number>, other: Uint32Array): number[] => [...other.filter((hash) => own.has(hash))];
