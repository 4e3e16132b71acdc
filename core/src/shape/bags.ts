import { terms } from '../language/terms.ts';
import { frequencyOf, type Subjects } from './cut/subjects.ts';

/** The stems of a text, each with its weight. */
export type Bag = Map<string, number>;

// Without a list of English, and for a stem in no list, every stem weighs alike.
const PLAIN = 1e-4;

/** How rare a stem is in English, in nats: what it weighs. */
export const rarityIn =
  (subjects: Subjects | null) =>
  (stem: string): number =>
    -Math.log(subjects ? frequencyOf(subjects, stem, PLAIN) : PLAIN);

/** A text as its stems, weighed by how often they stand in it (1 + ln n) and how rare they are. */
export function bagOf(text: string, weigh: (stem: string) => number): Bag {
  const bag: Bag = new Map();
  for (const stem of terms(text)) bag.set(stem, (bag.get(stem) ?? 0) + 1);
  for (const [stem, n] of bag) bag.set(stem, (1 + Math.log(n)) * weigh(stem));
  return bag;
}

/** How alike two bags are, 0 to 1: the cosine of their weights (Salton and Buckley 1988). */
export function cosine(a: Bag, b: Bag): number {
  const square = (bag: Bag) => [...bag.values()].reduce((sum, w) => sum + w * w, 0);
  let dot = 0;
  for (const [stem, w] of a) dot += w * (b.get(stem) ?? 0);
  return dot / (Math.sqrt(square(a) * square(b)) || 1);
}
