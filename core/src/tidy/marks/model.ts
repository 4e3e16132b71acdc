import { dense, layerOf, rowsFor, UNIT, whole, type Layer } from './dense.ts';
import { recur, type Recurrent } from './recurrent.ts';
import { OUTPUTS, Runs, type Grams } from './grams.ts';
import { LISTS, listsOf, type Filter, type List } from './lexicon.ts';

/**
 * A small network that says, for each word of a text without marks, which mark stands after it and whether it is a
 * name. How it was made: core/training/README.md. Its layers, for words i of a text (∘ is channel by channel):
 *
 *   x_i = word + ending + shape + lists it stands in + pauses beside it (embeddings)
 *   h_i = relu(sum_k near_k ∘ x_(i + k) + b)           for k from -left to right
 *   z_i = relu(P h_i + p)
 *   y_i = z_i, and what two recurrent layers know after they heard z up to i, one from the front, one from the end
 *   marks = softmax(O y_i + o + runs of words around i), name = sigmoid(N y_i + n + runs of words around i)
 */
export type MarksModel = {
  words: ReadonlyMap<string, number>;
  endings: ReadonlyMap<string, number>;
  filters: Record<List, Filter>;
  sizes: Sizes;
  /** Words after which there is hardly ever a mark, and which are no names: no marks are asked for. */
  quiet: ReadonlySet<string>;
  /** Values by name, row by row. */
  tensors: Record<string, Float32Array>;
  grams: Grams;
  layers: { near: Near; inner: Layer; forward: Recurrent; backward: Recurrent; out: Layer };
};

/** The weights of near neighbours as whole numbers: each channel of each tap. */
type Near = { weights: Int32Array; scale: number; bias: Int32Array };

type Sizes = {
  embedding: number;
  inner: number;
  left: number;
  right: number;
  marks: number;
  own: number;
  ownInWords: number;
};
type Header = {
  sizes: Sizes;
  words: string[];
  endings: string[];
  quiet: number[];
  tensors: { name: string; rows: number; columns: number }[];
  filters: { name: List; hashes: number; bytes: number }[];
};

/**
 * Reads a model from its file: a line of JSON, then for each row of each tensor a scale and its weights as whole
 * numbers from -127 to 127, then the word lists.
 */
export function readModel(bytes: Uint8Array): MarksModel {
  const end = bytes.indexOf(10);
  const { sizes, words, endings, quiet, ...header } = JSON.parse(new TextDecoder('utf-8').decode(bytes.subarray(0, end))) as Header;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = end + 1;
  const tensors: Record<string, Float32Array> = {};
  const whole: Record<string, { rows: number; weights: Int32Array; scales: Float32Array }> = {};
  for (const { name, rows, columns } of header.tensors) {
    const values = new Float32Array(rows * columns);
    const weights = new Int32Array(rows * columns);
    const scales = new Float32Array(rows);
    for (let row = 0; row < rows; row++) {
      scales[row] = view.getFloat32(at, true);
      at += 4;
      for (let i = row * columns; i < (row + 1) * columns; i++) {
        weights[i] = view.getInt8(at++);
        values[i] = weights[i]! * scales[row]!;
      }
    }
    tensors[name] = values;
    whole[name] = { rows, weights, scales };
  }
  const filters = Object.fromEntries(
    header.filters.map(({ name, hashes, bytes: size }) => [name, { hashes, bits: bytes.subarray(at, (at += size)) }]),
  ) as Record<List, Filter>;
  if (sizes.left + sizes.right + 1 !== WIDTH) throw new RangeError(`A model must look at ${WIDTH} words at once`);
  const grams = whole.grams!;
  const rows = grams.weights.length / OUTPUTS;
  const numbered = (list: string[]) => new Map(list.map((text, i) => [text, i + 1]));
  const layer = (name: string) => layerOf(whole[name]!, tensors[`${name}Bias`]!);
  const recurrent = (way: string) => ({ from: layer(`recur${way}From`), back: layer(`recur${way}Back`) });
  return {
    words: numbered(words),
    endings: numbered(endings),
    filters,
    quiet: new Set(quiet.map((n) => words[n - 1]!)),
    sizes,
    tensors,
    grams: {
      own: sizes.own,
      ownInWords: sizes.ownInWords,
      rows,
      weights: Int8Array.from({ length: rows * OUTPUTS }, (_, i) => grams.weights[(i % OUTPUTS) * rows + Math.floor(i / OUTPUTS)]!),
      scales: grams.scales,
    },
    layers: {
      near: nearOf(tensors.near!, tensors.nearBias!),
      inner: layer('inner'),
      forward: recurrent('Forward'),
      backward: recurrent('Backward'),
      out: layer('out'),
    },
  };
}

function nearOf(values: Float32Array, bias: Float32Array): Near {
  const scale = values.reduce((most, v) => Math.max(most, Math.abs(v)), 0) / NEAR_STEPS;
  return {
    weights: Int32Array.from(values, (v) => Math.round(v / scale)),
    scale,
    bias: Int32Array.from(bias, (v) => Math.round((v / scale) * UNIT)),
  };
}

// A weight of a near neighbour is one of so many steps either way.
const NEAR_STEPS = 511;

/** What the model says of each word: the chances of a sentence end, a question, a comma after it, and of a name. */
export type Marks = { end: Float32Array; question: Float32Array; comma: Float32Array; name: Float32Array };

/** What is known of the pause after a word: nothing, that there is none, that there is one. */
export const UNKNOWN = 0;
export const NO_PAUSE = 1;
export const PAUSE = 2;

// So many words go through the layers at once: what they need fits into the processor's own memory.
const AT_ONCE = 512;
// The states lie between -1 and 1: the last layer counts in finer steps.
const FINE = 1024;

/**
 * The marks of a run of words in lower case.
 * @param pauses for each word, what is known of the pause after it
 */
export function marksOf(model: MarksModel, words: readonly string[], pauses: Uint8Array): Marks {
  const n = words.length;
  const { sizes, layers } = model;
  const result: Marks = { end: new Float32Array(n), question: new Float32Array(n), comma: new Float32Array(n), name: new Float32Array(n) };
  const inputs = new Inputs(model, words, pauses);
  const runs = new Runs(model, words, inputs.lists);
  const loud = Int32Array.from(words.keys()).filter((i) => !model.quiet.has(words[i]!));
  const places = Int32Array.from(words.keys());
  const state = layers.forward.back.inputs;
  // What is known of each word: z, then the two states.
  const width = sizes.inner + 2 * state;
  const known = new Float32Array(n * width);
  each(places, (some) => put(dense(inputs.near(some), some.length, layers.inner), some, sizes.inner, known, width));
  recur(layers.forward, known, width, sizes.inner, false);
  recur(layers.backward, known, width, sizes.inner + state, true);
  each(loud, (some) => {
    const out = dense(whole(known, some, width, FINE), some.length, layers.out, FINE);
    for (let row = 0; row < some.length; row++) {
      const i = some[row]!;
      const at = row * layers.out.outputs;
      runs.add(i, out, at);
      let total = 0;
      for (let m = 0; m < sizes.marks; m++) total += Math.exp(out[at + m]!);
      result.comma[i] = Math.exp(out[at + 1]!) / total;
      result.question[i] = Math.exp(out[at + 3]!) / total;
      result.end[i] = Math.exp(out[at + 2]!) / total + result.question[i]!;
      result.name[i] = 1 / (1 + Math.exp(-out[at + sizes.marks]!));
    }
  });
  return result;
}

function each(places: Int32Array, work: (some: Int32Array) => void): void {
  for (let first = 0; first < places.length; first += AT_ONCE) work(places.subarray(first, first + AT_ONCE));
}

/** The vectors of a text's words, each distinct one worked out once and kept in one table, in steps of UNIT. */
class Inputs {
  #table: Int32Array;
  /** Where in the table the vector of each word begins; before the first and after the last word stands nothing. */
  readonly #places: Int32Array;
  readonly #lists = new Map<string, number>();

  constructor(
    readonly model: MarksModel,
    words: readonly string[],
    pauses: Uint8Array,
  ) {
    const { embedding: size, left, right } = model.sizes;
    const known = new Map<string, number>();
    const vectors: Int32Array[] = [new Int32Array(size)];
    const placeOf = (key: string, make: () => Int32Array) => {
      let place = known.get(key);
      if (place === undefined) {
        known.set(key, (place = vectors.length));
        vectors.push(make());
      }
      return place;
    };
    this.#places = new Int32Array(left + words.length + right);
    words.forEach((word, i) => {
      const [before, after] = [i ? pauses[i - 1]! : UNKNOWN, pauses[i]!];
      let place = placeOf(word, () => this.#vectorOf(word));
      if (before !== UNKNOWN || after !== UNKNOWN) {
        const plain = vectors[place]!;
        place = placeOf(`${before}${after} ${word}`, () => this.#withPauses(plain, before, after));
      }
      this.#places[left + i] = place * size;
    });
    this.#table = new Int32Array(vectors.length * size);
    vectors.forEach((vector, n) => this.#table.set(vector, n * size));
  }

  #vectorOf(text: string): Int32Array {
    const { words, endings, filters, sizes, tensors } = this.model;
    const { word, ending, shape, lists: listed } = tensors as Record<'word' | 'ending' | 'shape' | 'lists', Float32Array>;
    const size = sizes.embedding;
    const vector = new Float32Array(size);
    const [a, b, c] = [(words.get(text) ?? 0) * size, (endings.get(text.slice(-3)) ?? 0) * size, shapeOf(text) * size];
    for (let u = 0; u < size; u++) vector[u] = word[a + u]! + ending[b + u]! + shape[c + u]!;
    const lists = listsOf(text, filters);
    this.#lists.set(text, lists);
    for (let bit = 0; bit < LISTS.length; bit++) {
      if ((lists >> bit) & 1) for (let u = 0; u < size; u++) vector[u]! += listed[bit * size + u]!;
    }
    const counted = new Int32Array(size);
    for (let u = 0; u < size; u++) counted[u] = Math.round(vector[u]! * UNIT);
    return counted;
  }

  /** The lists a word of the text stands in. */
  readonly lists = (word: string): number => this.#lists.get(word)!;

  #withPauses(plain: Int32Array, before: number, after: number): Int32Array {
    const vector = plain.slice();
    const pauses = this.model.tensors.pauses!;
    [before, after].forEach((kind, side) => {
      for (let figure = 0; figure < kind; figure++) {
        const row = (2 * side + figure) * vector.length;
        for (let u = 0; u < vector.length; u++) vector[u]! += Math.round(pauses[row + u]! * UNIT);
      }
    });
    return vector;
  }

  /** h of some words, row by row, in steps of UNIT. */
  near(places: Int32Array): Int32Array {
    const { weights, scale, bias } = this.model.layers.near;
    const size = this.model.sizes.embedding;
    const h = new Int32Array(rowsFor(places.length) * size);
    nearSums(this.#table, this.#places, places, size, weights, bias, scale, h);
    return h;
  }
}

// How many neighbours a word is seen with, itself among them: the loop below is written out for so many.
const WIDTH = 10;

/** For each place, the sum of its neighbours' vectors, each channel by its own weight; what is below nought becomes nought. */
function nearSums(
  table: Int32Array,
  at: Int32Array,
  places: Int32Array,
  size: number,
  w: Int32Array,
  bias: Int32Array,
  scale: number,
  into: Int32Array,
): void {
  for (let n = 0; n < places.length; n++) {
    const p = places[n]!;
    const a = at[p]!;
    const b = at[p + 1]!;
    const c = at[p + 2]!;
    const d = at[p + 3]!;
    const e = at[p + 4]!;
    const f = at[p + 5]!;
    const g = at[p + 6]!;
    const h = at[p + 7]!;
    const j = at[p + 8]!;
    const k = at[p + 9]!;
    for (let u = 0; u < size; u++) {
      const sum =
        (bias[u]! +
          Math.imul(table[a + u]!, w[u]!) +
          Math.imul(table[b + u]!, w[size + u]!) +
          Math.imul(table[c + u]!, w[2 * size + u]!) +
          Math.imul(table[d + u]!, w[3 * size + u]!) +
          Math.imul(table[e + u]!, w[4 * size + u]!) +
          Math.imul(table[f + u]!, w[5 * size + u]!) +
          Math.imul(table[g + u]!, w[6 * size + u]!) +
          Math.imul(table[h + u]!, w[7 * size + u]!) +
          Math.imul(table[j + u]!, w[8 * size + u]!) +
          Math.imul(table[k + u]!, w[9 * size + u]!)) |
        0;
      into[n * size + u] = sum > 0 ? sum * scale + 0.5 : 0;
    }
  }
}

/** Puts rows where the words they belong to have theirs; what is below nought becomes nought. */
function put(rows: Float32Array, places: Int32Array, size: number, into: Float32Array, width: number): void {
  for (let row = 0; row < places.length; row++) {
    for (let u = 0; u < size; u++) into[places[row]! * width + u] = Math.max(0, rows[row * size + u]!);
  }
}

/** The shape of a word, as the training script counts it: figures, a hyphen, an apostrophe, short. */
function shapeOf(word: string): number {
  return (/\d/.test(word) ? 1 : 0) + (word.includes('-') ? 2 : 0) + (word.includes("'") ? 4 : 0) + (word.length <= 3 ? 8 : 0);
}
