import type { MarksModel } from './model.ts';

/**
 * Runs of words side by side, and what each says of the place between them. A run is known by a hash alone: runs
 * that fall together share their weights (the hashing trick, Weinberger et al. 2009). In the narrow runs a word is
 * itself if it is one of the most frequent, else its class: the lists it stands in and its ending. In the wide runs
 * many more words are themselves.
 */
export type Grams = {
  /** How many of the most frequent words are themselves, in runs of classes and in runs of words. */
  own: number;
  ownInWords: number;
  rows: number;
  /** Row by row, OUTPUTS each, in steps of the output's scale. */
  weights: Int8Array;
  scales: Float32Array;
};

/** The six marks, and a name. */
export const OUTPUTS = 7;

// Which neighbours a run takes together; the hash begins with the number of the run in this list.
const RUNS: readonly (readonly [kind: 'words' | 'classes', offsets: readonly number[]])[] = [
  ['words', [0, 1]],
  ['words', [-1, 0]],
  ['words', [1, 2]],
  ['classes', [-1, 0, 1]],
  ['classes', [0, 1, 2]],
  ['classes', [1, 2, 3]],
  ['classes', [-2, -1, 0]],
  ['classes', [-1, 0, 1, 2]],
  ['classes', [0, 2]],
  ['classes', [-1, 1]],
];
const MARGIN = 3;
const OUTSIDE = 1;

const ENDINGS = ['s', 'ed', 'ing', 'ly', 'er', 'est', 'ion', 'ty', 'al', 'ous', 'ive', 'nt', 'ble', 'ss', 'y'];

/** The class of a word that is not among the most frequent. */
export function classOf(word: string, lists: number): number {
  const ending = ENDINGS.findLastIndex((e) => word.endsWith(e)) + 1;
  return (lists * (ENDINGS.length + 1) + ending) * 2 + (/\d/.test(word) ? 1 : 0);
}

/** The runs around the words of a text; `lists` are the lists each distinct word stands in. */
export class Runs {
  readonly #keys: Record<'words' | 'classes', Int32Array>;

  constructor(
    readonly model: MarksModel,
    words: readonly string[],
    lists: (word: string) => number,
  ) {
    const { own, ownInWords } = model.grams;
    const known = new Map<string, { word: number; class: number }>();
    const keys = { words: new Int32Array(words.length + 2 * MARGIN), classes: new Int32Array(words.length + 2 * MARGIN) };
    keys.words.fill(OUTSIDE);
    keys.classes.fill(OUTSIDE);
    words.forEach((word, i) => {
      let key = known.get(word);
      if (!key) {
        const rank = (model.words.get(word) ?? Infinity) - 1;
        const itself = rank < own ? rank : own + classOf(word, lists(word));
        known.set(word, (key = { word: rank < ownInWords ? rank : ownInWords + itself, class: itself }));
      }
      keys.words[i + MARGIN] = key.word + OUTSIDE + 1;
      keys.classes[i + MARGIN] = key.class + OUTSIDE + 1;
    });
    this.#keys = keys;
  }

  /** Adds what the runs around word i say to the outputs that begin at `at`. */
  add(i: number, out: Float32Array, at: number): void {
    const { rows, weights, scales } = this.model.grams;
    const sums = SUMS.fill(0);
    for (let run = 0; run < RUNS.length; run++) {
      const [kind, offsets] = RUNS[run]!;
      const keys = this.#keys[kind];
      let h = Math.imul(run + 1, 40503);
      for (let k = 0; k < offsets.length; k++) {
        h = Math.imul(h ^ keys[i + MARGIN + offsets[k]!]!, 0x9e3779b1);
        h ^= h >>> 15;
      }
      const row = ((h >>> 0) % rows) * OUTPUTS;
      for (let o = 0; o < OUTPUTS; o++) sums[o]! += weights[row + o]!;
    }
    for (let o = 0; o < OUTPUTS; o++) out[at + o]! += sums[o]! * scales[o]!;
  }
}

const SUMS = new Int32Array(OUTPUTS);
