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

/**
 * Cuts a text where its subject changes, into exactly `sections` stretches (fewer when it has fewer units).
 * Each stretch is scored by the likelihood of its terms under a Dirichlet-multinomial model whose prior is the
 * text's own word frequencies (Eisenstein and Barzilay 2008), with a gentle prior on its length and a cost for
 * beginning inside a paragraph; the best set of borders is found by dynamic programming. The first and last stretch are expected to be short.
 */
export function segment(units: readonly Unit[], sections: number): Border[] {
  const n = units.length;
  const k = Math.max(1, Math.min(sections, n));
  if (k === 1) return [];
  const score = scorer(units, k);
  // best[j]: the best score of units [0, j) cut into s stretches, for the s of the round.
  let best = Array.from({ length: n + 1 }, (_, j) => (j ? score(0, j, 'first') : -Infinity));
  const back: number[][] = [];
  for (let s = 2; s <= k; s++) {
    const role = s === k ? 'last' : 'body';
    const round = new Array<number>(n + 1).fill(-Infinity);
    const from = new Array<number>(n + 1).fill(0);
    for (let j = role === 'last' ? n : s; j <= n; j++) {
      for (let i = s - 1; i < j; i++) {
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
  const borders: number[] = [];
  for (let s = k, j = n; s >= 2; s--) {
    j = back[s - 2]![j]!;
    borders.unshift(j);
  }
  const edges = [0, ...borders, n];
  return borders.map((at, b) => {
    const left = edges[b]!;
    const right = edges[b + 2]!;
    return { at, strength: score(left, at, 'plain') + score(at, right, 'plain') - score(left, right, 'plain') };
  });
}

type Role = 'first' | 'body' | 'last' | 'plain';

/** The score of units [i, j) as one stretch; `plain` leaves its length out of account. */
function scorer(units: readonly Unit[], sections: number) {
  const n = units.length;
  const ids = new Map<string, number>();
  const tokens = units.map((u) => u.terms.map((t) => ids.get(t) ?? (ids.set(t, ids.size), ids.size - 1)));
  const counts = new Float64Array(ids.size);
  let total = 0;
  for (const t of tokens.flat()) {
    counts[t]!++;
    total++;
  }
  const prior = counts.map((c) => (PRIOR_WORDS * c) / Math.max(1, total));
  const before = [0];
  for (const u of units) before.push(before.at(-1)! + u.words);
  const share = before[n]! / (sections - 2 + 2 * EDGE_SHARE);

  // Likelihoods of all stretches, row by row: extending a stretch by a token multiplies in one predictive term.
  const rows: Float64Array[] = [];
  for (let i = 0; i < n; i++) {
    const row = new Float64Array(n - i + 1);
    const seen = new Map<number, number>();
    let size = 0;
    let sum = 0;
    for (let j = i; j < n; j++) {
      for (const t of tokens[j]!) {
        const had = seen.get(t) ?? 0;
        sum += Math.log((prior[t]! + had) / (PRIOR_WORDS + size));
        seen.set(t, had + 1);
        size++;
      }
      row[j - i + 1] = sum;
    }
    rows.push(row);
  }
  return (i: number, j: number, role: Role): number => {
    const likelihood = rows[i]![j - i]!;
    if (role === 'plain') return likelihood;
    const start = units[i]!.opensParagraph ? 0 : INSIDE_PARAGRAPH;
    const isBody = role === 'body';
    const expected = isBody ? share : share * EDGE_SHARE;
    const ratio = Math.log(Math.max(1, before[j]! - before[i]!) / Math.max(1, expected));
    return likelihood - (isBody ? 1 : EDGE_HOLD) * LENGTH_WEIGHT * ratio * ratio - start;
  };
}
