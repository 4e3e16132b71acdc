import { rarityIn, type Subjects } from '../shape/index.ts';
import type { Counts, Passage } from './passages.ts';

/** Stems with their weights, of length one. */
export type Direction = ReadonlyMap<string, number>;

/** Makes directions of counts, as the pages' own passages weigh their words. */
export type Weighing = (counts: Counts) => Direction;

/**
 * Weighs a stem by how often it stands (1 + ln n), by how few of the passages have it (ln(1 + N/n)), and by how rare it is in English:
 * what all pages say on every line tells no matter from another (Salton and Buckley 1988).
 */
export function weighingBy(passages: readonly Passage[], subjects: Subjects | null): Weighing {
  const having = new Map<string, number>();
  for (const { counts } of passages) for (const stem of counts.keys()) having.set(stem, (having.get(stem) ?? 0) + 1);
  const rarity = rarityIn(subjects);
  const weights = new Map<string, number>();
  const weightOf = (stem: string): number => {
    let weight = weights.get(stem);
    if (weight === undefined) {
      weights.set(stem, (weight = rarity(stem) * Math.log(1 + passages.length / Math.max(1, having.get(stem) ?? 0))));
    }
    return weight;
  };
  // Counts that are asked about again are the same as before.
  const known = new WeakMap<Counts, Direction>();
  return (counts) => {
    let direction = known.get(counts);
    if (!direction)
      known.set(counts, (direction = unit(new Map([...counts].map(([stem, n]) => [stem, (1 + Math.log(n)) * weightOf(stem)])))));
    return direction;
  };
}

/** A direction of length one. */
export function unit(direction: Direction): Direction {
  const length = Math.sqrt([...direction.values()].reduce((sum, w) => sum + w * w, 0)) || 1;
  return new Map([...direction].map(([stem, w]) => [stem, w / length]));
}

/** How alike two directions are, 0 to 1 (cosine). */
export function alike(a: Direction, b: Direction): number {
  const [few, many] = a.size < b.size ? [a, b] : [b, a];
  let dot = 0;
  for (const [stem, w] of few) dot += w * (many.get(stem) ?? 0);
  return dot;
}

/** The middle of some directions. */
export function middleOf(directions: readonly Direction[]): Direction {
  const sum = new Map<string, number>();
  for (const direction of directions) for (const [stem, w] of direction) sum.set(stem, (sum.get(stem) ?? 0) + w);
  return unit(sum);
}
