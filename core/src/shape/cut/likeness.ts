import { frequencyOf, type Subjects } from './subjects.ts';

/** The stems of each unit as numbers, and what is known of each stem. */
export type Counted = {
  units: Int32Array[];
  /** How many stems stand before each unit; one more than there are units. */
  before: Int32Array;
  /** How often each stem stands in English, and in this text, as shares of one. */
  inEnglish: Float64Array;
  inText: Float64Array;
  /** What the unit's stems point to together, `size` figures a unit, and how much they weigh. */
  directions: Float64Array;
  weights: Float64Array;
  size: number;
};

// A stem said again so soon was stumbled over, and says no more than once.
const STUMBLE = 2;
// Stems that stand in one of a hundred point nowhere; in one of a hundred thousand, all the way.
const COMMON = Math.log(1e-2);
const SPAN = Math.log(1e3);

/** Counts the stems of units. Without `subjects` only the text itself is known. */
export function counted(terms: readonly (readonly string[])[], subjects: Subjects | null): Counted {
  const numbers = new Map<string, number>();
  const stems: string[] = [];
  const last: number[] = [];
  let position = 0;
  const units = terms.map((unit) =>
    Int32Array.from(
      unit.flatMap((stem) => {
        let n = numbers.get(stem);
        if (n === undefined) {
          numbers.set(stem, (n = stems.length));
          stems.push(stem);
          last.push(-Infinity);
        }
        const isNew = ++position - last[n]! > STUMBLE;
        last[n] = position;
        return isNew ? [n] : [];
      }),
    ),
  );
  const before = new Int32Array(units.length + 1);
  units.forEach((unit, i) => (before[i + 1] = before[i]! + unit.length));
  const total = Math.max(1, before[units.length]!);
  const inText = new Float64Array(stems.length);
  for (const unit of units) for (const n of unit) inText[n]! += 1 / total;
  const known = stems.map((stem) => subjects?.stems.get(stem));
  const inEnglish = Float64Array.from(stems, (stem, n) => (subjects ? frequencyOf(subjects, stem) : inText[n]!));

  const size = subjects?.size ?? 0;
  const directions = new Float64Array(units.length * size);
  const weights = new Float64Array(units.length);
  const mean = new Float64Array(size);
  units.forEach((unit, i) => {
    for (const n of unit) {
      const k = known[n];
      if (k === undefined) continue;
      const weight = Math.min(1, Math.max(0, (COMMON - Math.log(inEnglish[n]!)) / SPAN));
      for (let u = 0; u < size; u++) directions[i * size + u]! += weight * subjects!.vectors[k * size + u]!;
      weights[i]! += weight;
    }
    for (let u = 0; u < size; u++) mean[u]! += directions[i * size + u]!;
  });
  // What the whole text points to says nothing about where its subjects change.
  const all = weights.reduce((sum, w) => sum + w, 0) || 1;
  units.forEach((_, i) => {
    for (let u = 0; u < size; u++) directions[i * size + u]! -= (mean[u]! / all) * weights[i]!;
  });
  return { units, before, inEnglish, inText, directions, weights, size };
}

// How the prior strength grows with the stems expected in a section, and how much of it is English at large.
const PRIOR_A_STEM = 8;
const ENGLISH = 0.9;
// How strongly stems that keep company hold together, and how much company a stretch must have to count.
const PULL = 6;
const COMPANY = 15;
const FREEDOM = 6;
const TINY = 1e-250;

/**
 * How alike the units of a stretch are, in nats: the likelihood of its stems under a Dirichlet-multinomial whose prior
 * mixes English with the text's own frequencies (Eisenstein and Barzilay 2008), and that of their vectors under a
 * Gaussian whose mean is unknown (Murphy 2007, "Conjugate Bayesian analysis of the Gaussian distribution").
 * @param expected how many stems a section is expected to have: the prior's strength follows it
 */
export function likeness({ units, inEnglish, inText, directions, weights, size }: Counted, expected: number) {
  const strength = PRIOR_A_STEM * expected;
  const prior = inEnglish.map((share, n) => strength * (ENGLISH * share + (1 - ENGLISH) * inText[n]!));
  const seen = new Int32Array(prior.length);
  const sum = new Float64Array(size);

  /** The likeness of the stretches that begin at a unit: `each` is told it for every unit they can end with. */
  return function extend(from: number, to: number, each: (unit: number, nats: number) => void): void {
    let nats = 0;
    let count = 0;
    let weight = 0;
    sum.fill(0);
    for (let i = from; i < to; i++) {
      // A product is taken the logarithm of once a unit: that is most of the time saved.
      let chance = 1;
      for (const n of units[i]!) {
        chance *= (prior[n]! + seen[n]!++) / (strength + count++);
        if (chance > TINY) continue;
        nats += Math.log(chance);
        chance = 1;
      }
      nats += Math.log(chance);
      weight += weights[i]!;
      let square = 0;
      for (let u = 0, at = i * size; u < size; u++) square += (sum[u]! += directions[at + u]!) ** 2;
      each(i, size ? nats + (PULL * square) / (weight + COMPANY) - FREEDOM * Math.log(1 + weight / COMPANY) : nats);
    }
    for (let i = from; i < to; i++) for (const n of units[i]!) seen[n] = 0;
  };
}
