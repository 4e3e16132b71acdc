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
  /** Row by row, OUTPUTS each, in steps of the output's scale: whole numbers of one byte stay close to the processor. */
  weights: Int8Array;
  scales: Float32Array;
};

/** What is known of words: the number of each, the lists it stands in, and what runs of them say. */
type Known = { words: ReadonlyMap<string, number>; lists: (word: string) => number; grams: Grams };

/** The six marks, and a name. */
export const OUTPUTS = 7;

// Which neighbours a run takes together; the hash begins with the number of the run in this list.
const RUNS: readonly { kind: 'words' | 'classes'; offsets: readonly number[] }[] = [
  { kind: 'words', offsets: [0, 1] },
  { kind: 'words', offsets: [-1, 0] },
  { kind: 'words', offsets: [1, 2] },
  { kind: 'classes', offsets: [-1, 0, 1] },
  { kind: 'classes', offsets: [0, 1, 2] },
  { kind: 'classes', offsets: [1, 2, 3] },
  { kind: 'classes', offsets: [-2, -1, 0] },
  { kind: 'classes', offsets: [-1, 0, 1, 2] },
  { kind: 'classes', offsets: [0, 2] },
  { kind: 'classes', offsets: [-1, 1] },
];
const MARGIN = 3;
const OUTSIDE = 1;

const ENDINGS = ['s', 'ed', 'ing', 'ly', 'er', 'est', 'ion', 'ty', 'al', 'ous', 'ive', 'nt', 'ble', 'ss', 'y'];

/** The class of a word that is not among the most frequent. */
export function classOf(word: string, lists: number): number {
  const ending = ENDINGS.findLastIndex((e) => word.endsWith(e)) + 1;
  return (lists * (ENDINGS.length + 1) + ending) * 2 + (/\d/.test(word) ? 1 : 0);
}

/** The runs around the words of a text. */
export class Runs {
  readonly #grams: Grams;
  /** For each run, the keys of the words it goes by. */
  readonly #keys: readonly Int32Array[];

  constructor({ words: numbers, grams, lists }: Known, words: readonly string[]) {
    this.#grams = grams;
    const keys = { words: new Int32Array(words.length + 2 * MARGIN), classes: new Int32Array(words.length + 2 * MARGIN) };
    keys.words.fill(OUTSIDE);
    keys.classes.fill(OUTSIDE);
    const known = new Map<string, { word: number; class: number }>();
    words.forEach((word, i) => {
      let key = known.get(word);
      if (!key) {
        const rank = (numbers.get(word) ?? Infinity) - 1;
        const itself = rank < grams.own ? rank : grams.own + classOf(word, lists(word));
        known.set(word, (key = { word: rank < grams.ownInWords ? rank : grams.ownInWords + itself, class: itself }));
      }
      keys.words[i + MARGIN] = key.word + OUTSIDE + 1;
      keys.classes[i + MARGIN] = key.class + OUTSIDE + 1;
    });
    this.#keys = RUNS.map(({ kind }) => keys[kind]);
  }

  /** Adds what the runs around word i say to the outputs that begin at `at`. */
  add(i: number, out: Float32Array, at: number): void {
    const { rows, weights, scales } = this.#grams;
    SUMS.fill(0);
    for (let run = 0; run < RUNS.length; run++) {
      const { offsets } = RUNS[run]!;
      const keys = this.#keys[run]!;
      let h = Math.imul(run + 1, 40503);
      for (let k = 0; k < offsets.length; k++) {
        h = Math.imul(h ^ keys[i + MARGIN + offsets[k]!]!, 0x9e3779b1);
        h ^= h >>> 15;
      }
      const row = ((h >>> 0) % rows) * OUTPUTS;
      for (let o = 0; o < OUTPUTS; o++) SUMS[o]! += weights[row + o]!;
    }
    for (let o = 0; o < OUTPUTS; o++) out[at + o]! += SUMS[o]! * scales[o]!;
  }
}

const SUMS = new Int32Array(OUTPUTS);
