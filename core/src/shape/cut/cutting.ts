import { counted, likeness } from './likeness.ts';
import type { Subjects } from './subjects.ts';

/**
 * Something to be cut between, never inside: a sentence or a cue as the stems of its content words, and whether it
 * opens a paragraph. `pull` is how much speaks for beginning a section with it, in nats.
 */
export type CutUnit = { terms: readonly string[]; opensParagraph: boolean; pull?: number };

/** A border before unit `at`; `strength` is how much the cut gains (in nats of likelihood), the higher the surer. */
export type Border = { at: number; strength: number };

/** A text that can be cut into any number of sections, at once. */
export type Cutting = {
  /** How many sections its words ask for by themselves. */
  natural: number;
  /** The borders of so many sections, fewer when it has fewer units. */
  cut: (sections: number) => Border[];
};

/** How many sections a post made of so many words wants when nobody says (common practice, no source). */
export function wishedSections(words: number): number {
  return Math.min(16, Math.max(1, Math.round(words / 490)));
}

// A text of so many content words has ten sections; ten times as many have a quarter more. How strongly it is
// held to that, in nats per squared logarithm, while the number is found.
const TEN_SECTIONS = 600;
const GROWTH = 0.1;
const HOLD = 150;
// The numbers of sections a text is looked at with are steps of so many to the double.
const STEPS = 2;
// How far from the usual number it looks, in steps.
const REACH = 2;
// Lengths of sections follow a gamma distribution of this shape: half of the mean and twice as much are both common.
const SHAPE = 6;
// No section is looked at that is longer than so many of the expected.
const LONGEST = 3.5;
// What it costs to begin a section inside a paragraph, in nats.
const INSIDE_PARAGRAPH = 10;
// The first and the last section of a text in paragraphs are this part of an ordinary one.
const EDGE_SHARE = 0.4;
// Readers want sections even: what a section of such a text costs more for each stem expected in it, in nats per
// squared logarithm of its share.
const EVEN = 0.3;
// Borders are looked for at this many places at most, and then moved to the best unit nearby.
const MOST_PLACES = 240;

/**
 * Cuts a text where its subject changes. A set of borders is scored by how alike the units of each stretch are (see
 * likeness.ts), by the lengths of the stretches, and by what speaks for beginning a section at a place; the best set
 * is found by dynamic programming (Utiyama and Isahara 2001).
 * @param subjects what is known of words beforehand; without it, the text alone is gone by
 */
export function cutting(units: readonly CutUnit[], subjects: Subjects | null = null): Cutting {
  const text = counted(
    units.map((u) => u.terms),
    subjects,
  );
  const total = text.before[units.length] ?? 0;
  const places = placesOf(units);
  const hasParagraphs = units.some((u, i) => i > 0 && u.opensParagraph) && units.some((u) => !u.opensParagraph);
  const looks = new Map<number, Look>();
  const lookAt = (step: number): Look => {
    let look = looks.get(step);
    if (!look) looks.set(step, (look = lookOf(2 ** (step / STEPS))));
    return look;
  };

  function lookOf(sections: number): Look {
    const expected = Math.max(1, total / sections);
    const extend = likeness(text, expected);
    const end = (place: number) => places[place] ?? units.length;
    const rows = places.map((start, i) => {
      let last = i + 1;
      while (last < places.length && text.before[end(last + 1)]! - text.before[start]! <= LONGEST * expected) last++;
      const row = new Float64Array(last - i + 1).fill(-Infinity);
      const cost = start && !units[start]!.opensParagraph && hasParagraphs ? INSIDE_PARAGRAPH : 0;
      const own = (units[start]!.pull ?? 0) - cost;
      let j = i + 1;
      extend(start, end(last), (unit, nats) => {
        if (unit + 1 === end(j)) row[j++ - i] = nats + own;
      });
      return row;
    });
    return { expected, rows, extend };
  }

  /** The gamma density of a stretch's length per unit of the text, as a logarithm. */
  const perUnit = Math.log(Math.max(1, total) / Math.max(1, units.length));
  function lengthOf(i: number, j: number, expected: number): number {
    const isEdge = hasParagraphs && (i === 0) !== (j === places.length);
    const mean = isEdge ? expected * EDGE_SHARE : expected;
    const x = Math.max(1, text.before[places[j] ?? units.length]! - text.before[places[i]!]!);
    const uneven = hasParagraphs ? EVEN * expected * Math.log(x / mean) ** 2 : 0;
    return (SHAPE - 1) * Math.log(x) - (SHAPE * x) / mean - SHAPE * Math.log(mean / SHAPE) - LOG_GAMMA_OF_SHAPE + perUnit - uneven;
  }

  function free({ rows, expected }: Look): { score: number; sections: number } {
    const n = places.length;
    const best = new Float64Array(n + 1).fill(-Infinity);
    const count = new Int32Array(n + 1);
    best[0] = 0;
    for (let i = 0; i < n; i++) {
      for (let j = i + 1; j < i + rows[i]!.length; j++) {
        const score = best[i]! + rows[i]![j - i]! + lengthOf(i, j, expected);
        if (score <= best[j]!) continue;
        best[j] = score;
        count[j] = count[i]! + 1;
      }
    }
    return { score: best[n]!, sections: count[n]! };
  }

  function cut(wanted: number): Border[] {
    const n = places.length;
    const sections = Math.max(1, Math.min(wanted, n));
    if (sections === 1) return [];
    const look = lookAt(Math.round(STEPS * Math.log2(sections)));
    const { rows, extend } = look;
    const expected = total / sections;
    let best = new Float64Array(n + 1).fill(-Infinity);
    best[0] = 0;
    const back: Int32Array[] = [];
    for (let s = 1; s <= sections; s++) {
      const round = new Float64Array(n + 1).fill(-Infinity);
      const from = new Int32Array(n + 1);
      for (let i = s - 1; i < n; i++) {
        if (best[i] === -Infinity) continue;
        for (let j = s === sections ? n : i + 1; j < i + rows[i]!.length; j++) {
          const score = best[i]! + rows[i]![j - i]! + lengthOf(i, j, expected);
          if (score <= round[j]!) continue;
          round[j] = score;
          from[j] = i;
        }
      }
      back.push(from);
      best = round;
    }
    // A text whose words stand in a few huge units cannot be cut so often.
    if (best[n] === -Infinity) return cut(sections - 1);
    const edges = [units.length];
    for (let s = sections, j = n; s >= 1; s--) {
      j = back[s - 1]![j]!;
      edges.unshift(places[j]!);
    }
    const likenessOf = (from: number, to: number) => {
      let last = 0;
      extend(from, to, (_, nats) => (last = nats));
      return last;
    };
    if (units.length > places.length) settle(edges, units, extend);
    return edges.slice(1, -1).map((at, b) => {
      const [left, right] = [edges[b]!, edges[b + 2]!];
      return { at, strength: likenessOf(left, at) + likenessOf(at, right) - likenessOf(left, right) };
    });
  }

  let natural: number | undefined;
  return {
    get natural() {
      return (natural ??= naturalNumber());
    },
    cut,
  };

  function naturalNumber(): number {
    if (!units.length) return 0;
    const usual = Math.max(1, 10 * (Math.max(1, total) / TEN_SECTIONS) ** GROWTH);
    const middle = Math.round(STEPS * Math.log2(usual));
    let found = { score: -Infinity, sections: 1 };
    for (let step = Math.max(0, middle - REACH); step <= middle + REACH; step++) {
      const { score, sections } = free(lookAt(step));
      const held = score - ((HOLD * total) / TEN_SECTIONS) * Math.log(2 ** (step / STEPS) / usual) ** 2;
      if (held > found.score) found = { score: held, sections };
    }
    return found.sections;
  }
}

type Extend = ReturnType<typeof likeness>;
/** A text as it looks when sections of so many stems are expected: rows[i][j - i] is the likeness from place i to j. */
type Look = { expected: number; rows: Float64Array[]; extend: Extend };

// The gamma function of 6 is 120.
const LOG_GAMMA_OF_SHAPE = Math.log(120);

/** The units a section may begin at: all of a short text; of a long one, one in each run of a few, a paragraph's first if it can be. */
function placesOf(units: readonly CutUnit[]): number[] {
  const step = Math.ceil(units.length / MOST_PLACES) || 1;
  return Array.from({ length: Math.ceil(units.length / step) }, (_, run) => {
    const first = run * step;
    const opener = units.slice(first, first + step).findIndex((u) => u.opensParagraph);
    return first + (run ? Math.max(0, opener) : 0);
  });
}

/** Moves each border to the unit nearby where its two neighbours are most alike in themselves. */
function settle(edges: number[], units: readonly CutUnit[], extend: Extend): void {
  const step = Math.ceil(units.length / MOST_PLACES);
  for (let b = 1; b < edges.length - 1; b++) {
    const [left, at, right] = edges.slice(b - 1, b + 2) as [number, number, number];
    const [from, to] = [Math.max(left + 1, at - step), Math.min(right - 1, at + step)];
    const scores = new Float64Array(to - from + 1);
    extend(left, to, (unit, nats) => {
      if (unit + 1 >= from && unit + 1 <= to) scores[unit + 1 - from]! += nats;
    });
    for (let i = from; i <= to; i++) {
      let rest = 0;
      extend(i, right, (_, nats) => (rest = nats));
      scores[i - from]! += rest + (units[i]!.pull ?? 0) - (units[i]!.opensParagraph ? 0 : INSIDE_PARAGRAPH);
    }
    edges[b] = from + scores.indexOf(Math.max(...scores));
  }
}
