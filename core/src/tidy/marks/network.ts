import { kernelOf, type Kernel } from './kernel.ts';

/** Numbers row by row. */
export type Table = { rows: number; columns: number; values: Float32Array };

/** A layer: a row of weights for each output, and what is added to the outputs. */
export type Layer = { weights: Table; bias: Table };

/** What near neighbours say: a row of weights for each neighbour, column by column, and what is added to each column. */
export type Near = { weights: Table; bias: Table };

/** One step of the network: what a row and its near neighbours say is put through a layer and added to the row. */
export type Block = {
  /** How many neighbours stand before the row, and how far apart they stand. */
  before: number;
  step: number;
  near: Near;
  layer: Layer;
};

export type Layers = { first: Layer; blocks: readonly Block[]; last: Layer };

const BYTES = Float32Array.BYTES_PER_ELEMENT;
const HALF = Int16Array.BYTES_PER_ELEMENT;
// Rows on their way into a layer are counted in so many steps to the one.
const UNIT = 512;
const WEIGHT_STEPS = 127;
// So many rows go through the layers at once: what they need stays close to the processor.
const AT_ONCE = 1024;
// The kernel takes rows by four and columns by eight.
const upTo = (step: number, n: number) => Math.ceil(n / step) * step;
const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);

/** Where things stand in the memory of the kernel, in bytes. */
type Placed = { weights: number; scales: number; bias: number };
type PlacedNear = Omit<Placed, 'scales'>;

/**
 * The layers of the network laid out in the memory of the kernel. For rows v_i of a text's words (∘ is column by column):
 *
 *   x_i = F v_i + f
 *   for each block: x_i = x_i + P relu(sum_k near_k ∘ x_(i + k step) + b) + p
 *   out_i = L x_i + l
 */
export class Network {
  readonly inputs: number;
  readonly outputs: number;
  readonly #kernel: Kernel;
  readonly #floats: Float32Array;
  readonly #steps: Int16Array;
  readonly #width: number;
  /** How far to either side a row hears others. */
  readonly #reach: number;
  readonly #rows: number;
  readonly #blocks: readonly { near: PlacedNear; layer: Placed; first: number; neighbours: number; step: number }[];
  readonly #first: Placed;
  readonly #last: Placed;
  /** What gives a row as it is. */
  readonly #itself: PlacedNear;
  readonly #input: number;
  readonly #x: number;
  readonly #heard: number;
  readonly #out: number;

  constructor({ first, blocks, last }: Layers) {
    this.inputs = first.weights.columns;
    this.outputs = last.weights.rows;
    this.#width = first.weights.rows;
    const sides = blocks.map(({ near, before, step }) => [before * step, (near.weights.rows - 1 - before) * step] as const);
    this.#reach = Math.max(sum(sides.map(([left]) => left)), sum(sides.map(([, right]) => right)));
    this.#rows = upTo(4, AT_ONCE + 2 * this.#reach);

    let end = 0;
    const room = (bytes: number) => {
      const at = end;
      end += upTo(16, bytes);
      return at;
    };
    const floats: [at: number, values: Float32Array][] = [];
    const steps: [at: number, values: Int16Array][] = [];
    const place = (values: Float32Array) => {
      const at = room(values.length * BYTES);
      floats.push([at, values]);
      return at;
    };
    const placeNear = ({ weights, bias }: Near): PlacedNear => ({ weights: place(weights.values), bias: place(bias.values) });
    const placeLayer = ({ weights, bias }: Layer): Placed => {
      const { counted, scales } = inSteps(weights);
      const at = room(counted.length * HALF);
      steps.push([at, counted]);
      return { weights: at, scales: place(scales), bias: place(bias.values) };
    };
    this.#blocks = blocks.map(({ near, layer, before, step }) => ({
      near: placeNear(near),
      layer: placeLayer(layer),
      first: -before * step,
      neighbours: near.weights.rows,
      step,
    }));
    this.#first = placeLayer(first);
    this.#last = placeLayer(last);
    this.#itself = { weights: place(new Float32Array(this.#width).fill(1)), bias: place(new Float32Array(this.#width)) };
    this.#input = room(this.#rows * this.inputs * HALF);
    // Before the first row and after the last there is room in which nothing is heard.
    const margin = Math.max(...sides.flat()) * this.#width * BYTES;
    room(margin);
    this.#x = room(this.#rows * this.#width * BYTES);
    room(margin);
    this.#heard = room(this.#rows * this.#width * HALF);
    this.#out = room(this.#rows * this.outputs * BYTES);
    this.#kernel = kernelOf(end);
    this.#floats = new Float32Array(this.#kernel.memory.buffer);
    this.#steps = new Int16Array(this.#kernel.memory.buffer);
    for (const [at, values] of floats) this.#floats.set(values, at / BYTES);
    for (const [at, values] of steps) this.#steps.set(values, at / HALF);
  }

  /**
   * Sends n rows through the layers.
   * @param rowOf the row of a place, `inputs` long; it is asked for places before the first and after the last too
   * @param take is given each place and where in `out` its `outputs` numbers begin
   */
  run(n: number, rowOf: (place: number) => Int16Array, take: (place: number, out: Float32Array, at: number) => void): void {
    for (let first = 0; first < n; first += AT_ONCE) {
      const count = Math.min(AT_ONCE, n - first);
      const rows = upTo(4, count + 2 * this.#reach);
      for (let row = 0; row < rows; row++) {
        this.#steps.set(rowOf(first - this.#reach + row), this.#input / HALF + row * this.inputs);
      }
      this.#through(rows);
      const out = this.#out / BYTES;
      for (let row = 0; row < count; row++) take(first + row, this.#floats, out + (this.#reach + row) * this.outputs);
    }
  }

  #through(rows: number): void {
    const kernel = this.#kernel;
    const [inputBytes, heardBytes, rowBytes, outBytes] = [
      this.inputs * HALF,
      this.#width * HALF,
      this.#width * BYTES,
      this.outputs * BYTES,
    ];
    const clear = (at: number, bytes: number) => this.#floats.fill(0, at / BYTES, (at + bytes) / BYTES);
    clear(this.#x, this.#rows * rowBytes);
    kernel.dense(this.#input, this.#first.weights, this.#first.scales, this.#first.bias, this.#x, rows, inputBytes, rowBytes);
    for (const { near, layer, first, neighbours, step } of this.#blocks) {
      const from = this.#x + first * rowBytes;
      kernel.near(from, near.weights, near.bias, this.#heard, rows, rowBytes, neighbours, step * rowBytes, 0, UNIT);
      kernel.dense(this.#heard, layer.weights, layer.scales, layer.bias, this.#x, rows, heardBytes, rowBytes);
    }
    kernel.near(this.#x, this.#itself.weights, this.#itself.bias, this.#heard, rows, rowBytes, 1, rowBytes, -Infinity, UNIT);
    clear(this.#out, rows * outBytes);
    kernel.dense(this.#heard, this.#last.weights, this.#last.scales, this.#last.bias, this.#out, rows, heardBytes, outBytes);
  }
}

/** A row as it goes into the first layer: in whole steps. */
export function rowInSteps(row: Float32Array): Int16Array {
  const steps = new Int16Array(row.length);
  for (let i = 0; i < row.length; i++) steps[i] = Math.max(-32768, Math.min(32767, Math.round(row[i]! * UNIT)));
  return steps;
}

/** The weights of a layer in whole steps, as the kernel wants them, and how much a step of each output is of its sum. */
function inSteps({ rows: outputs, columns: inputs, values }: Table): { counted: Int16Array; scales: Float32Array } {
  const counted = new Int16Array(values.length);
  const scales = new Float32Array(outputs);
  for (let o = 0; o < outputs; o++) {
    const row = values.subarray(o * inputs, (o + 1) * inputs);
    const step = row.reduce((most, v) => Math.max(most, Math.abs(v)), 0) / WEIGHT_STEPS || 1;
    scales[o] = step / UNIT;
    row.forEach((v, i) => (counted[((i >> 1) * outputs + o) * 2 + (i & 1)] = Math.round(v / step)));
  }
  return { counted, scales };
}
