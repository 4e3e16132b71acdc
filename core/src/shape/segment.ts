/**
 * Something to be cut between, never inside: a sentence as the stems of its content words, its length in words,
 * and whether it opens a paragraph.
 */
export type Unit = { terms: readonly string[]; words: number; opensParagraph: boolean };

/** A border before unit `at`; `strength` is how much the cut gains (in nats of likelihood), the higher the surer. */
export type Border = { at: number; strength: number };

/** How many sections a text of so many words wants when nobody says (common practice, no source). */
export function wishedSections(words: number): number {
  return Math.min(16, Math.max(1, Math.round(words / 420)));
}

// How strongly a section's words are expected to be like the whole text's: the weight of the prior, in words.
const PRIOR_WORDS = 60;
// How strongly a section is held to its fair share of the length, in nats per squared log ratio.
const LENGTH_WEIGHT = 10;
// What it costs to begin a section inside a paragraph, in nats.
const INSIDE_PARAGRAPH = 10;
// An introduction and a close are this part of an ordinary section, and are held to it this much harder.
const EDGE_SHARE = 0.4;
const EDGE_HOLD = 2;

// Borders are looked for at this many places at most, so that a text ten times as long takes ten times as long.
const MOST_PLACES = 600;
// No section is looked at that is longer than so many fair shares.
const MOST_SHARES = 4;

/**
 * Cuts a text where its subject changes, into exactly `sections` stretches (fewer when it has fewer units).
 * Each stretch is scored by the likelihood of its terms under a Dirichlet-multinomial model whose prior is the
 * text's own word frequencies (Eisenstein and Barzilay 2008), with a gentle prior on its length and a cost for
 * beginning inside a paragraph; the best set of borders is found by dynamic programming. The first and last
 * stretch are expected to be short.
 */
export function segment(units: readonly Unit[], sections: number): Border[] {
  const places = placesOf(units);
  const n = places.length;
  const k = Math.max(1, Math.min(sections, n));
  if (k === 1) return [];
  const { score, likelihood, furthest } = scorer(units, places, k);
  // best[j]: the best score of what lies before place j cut into s stretches, for the s of the round.
  let best = Array.from({ length: n + 1 }, (_, j) => (j && j <= furthest(0) ? score(0, j, 'first') : -Infinity));
  const back: Int32Array[] = [];
  for (let s = 2; s <= k; s++) {
    const role = s === k ? 'last' : 'body';
    const round = new Array<number>(n + 1).fill(-Infinity);
    const from = new Int32Array(n + 1);
    for (let i = s - 1; i < n; i++) {
      if (best[i] === -Infinity) continue;
      for (let j = role === 'last' ? n : i + 1; j <= furthest(i); j++) {
        const total = best[i]! + score(i, j, role);
        if (total > round[j]!) {
          round[j] = total;
          from[j] = i;
        }
      }
    }
    back.push(from);
    best = round;
  }
  // A text whose words stand in a few huge units cannot be cut so often.
  if (best[n] === -Infinity) return segment(units, k - 1);
  const borders: number[] = [];
  for (let s = k, j = n; s >= 2; s--) {
    j = back[s - 2]![j]!;
    borders.unshift(j);
  }
  const edges = [0, ...borders, n].map((place) => places[place] ?? units.length);
  return borders.map((_, b) => {
    const [left, at, right] = edges.slice(b, b + 3) as [number, number, number];
    return { at, strength: likelihood(left, at) + likelihood(at, right) - likelihood(left, right) };
  });
}

/** The units a section may begin at: all of a short text; of a long one, one in each run of a few, a paragraph's first if it can be. */
function placesOf(units: readonly Unit[]): number[] {
  const step = Math.ceil(units.length / MOST_PLACES);
  return Array.from({ length: Math.ceil(units.length / step) }, (_, run) => {
    const first = run * step;
    const opener = units.slice(first, first + step).findIndex((u) => u.opensParagraph);
    return first + (run ? Math.max(0, opener) : 0);
  });
}

type Role = 'first' | 'body' | 'last';

/** Scores of stretches from place i to place j (the end of the text is the place after the last). */
function scorer(units: readonly Unit[], places: readonly number[], sections: number) {
  const unitAt = (place: number) => places[place] ?? units.length;
  const ids = new Map<string, number>();
  const tokens = units.map((u) => Int32Array.from(u.terms, (t) => ids.get(t) ?? (ids.set(t, ids.size), ids.size - 1)));
  const prior = new Float64Array(ids.size);
  const total = tokens.reduce((sum, t) => sum + t.length, 0);
  for (const t of tokens) for (const id of t) prior[id]! += PRIOR_WORDS / total;
  const before = [0];
  for (const u of units) before.push(before.at(-1)! + u.words);
  const share = before[units.length]! / (sections - 2 + 2 * EDGE_SHARE);

  // Extending a stretch by a token multiplies in one predictive term.
  const seen = new Int32Array(ids.size);
  function extend(from: number, to: number, each: (unit: number, sum: number) => void) {
    let size = 0;
    let sum = 0;
    for (let unit = from; unit < to; unit++) {
      for (const t of tokens[unit]!) {
        sum += Math.log((prior[t]! + seen[t]!++) / (PRIOR_WORDS + size));
        size++;
      }
      each(unit, sum);
    }
    for (let unit = from; unit < to; unit++) for (const t of tokens[unit]!) seen[t] = 0;
  }

  const furthest = places.map((start, i) => {
    let j = i + 1;
    while (j < places.length && before[unitAt(j + 1)]! - before[start]! <= MOST_SHARES * share) j++;
    return j;
  });
  // rows[i][j - i]: the likelihood of the stretch from place i to place j.
  const rows = places.map((start, i) => {
    const row = new Float64Array(furthest[i]! - i + 1);
    let j = i + 1;
    extend(start, unitAt(furthest[i]!), (unit, sum) => {
      if (unit + 1 === unitAt(j)) row[j++ - i] = sum;
    });
    return row;
  });

  function likelihood(from: number, to: number): number {
    let last = 0;
    extend(from, to, (_, sum) => (last = sum));
    return last;
  }

  function score(i: number, j: number, role: Role): number {
    const [from, to] = [unitAt(i), unitAt(j)];
    const start = units[from]!.opensParagraph ? 0 : INSIDE_PARAGRAPH;
    const isBody = role === 'body';
    const expected = isBody ? share : share * EDGE_SHARE;
    const ratio = Math.log(Math.max(1, before[to]! - before[from]!) / Math.max(1, expected));
    return rows[i]![j - i]! - (isBody ? 1 : EDGE_HOLD) * LENGTH_WEIGHT * ratio * ratio - start;
  }

  return { score, likelihood, furthest: (place: number) => furthest[place]! };
}
