import { denseInto, UNIT, type Layer } from './dense.ts';

/**
 * A gated recurrent layer (GRU, Cho et al. 2014, in the form of PyTorch's): for the state h and the input x of a word
 *   r = sigmoid(Wr x + Ur h), z = sigmoid(Wz x + Uz h), n = tanh(Wn x + r ∘ (Un h)), h' = (1 - z) ∘ n + z ∘ h
 * `from` gives the three W x one after the other, `back` the three U h, both with their biases.
 */
export type Recurrent = { from: Layer; back: Layer };

// The text runs through in four streams side by side, as the loops of dense.ts want it.
const STREAMS = 4;
// A stream hears so many words before those it answers for, so that its state has settled.
const LEAD = 32;
const LONGEST = 512;
// The state lies between -1 and 1 and is counted in finer steps than other rows.
const STATE_UNIT = 2048;

/**
 * Lets a recurrent layer hear a text and writes its state after each word into that word's row.
 * @param known the rows of all words, each `width` long: the layer's inputs stand first
 * @param column where in a row the state goes
 * @param isBackward whether the words are heard from the last to the first
 */
export function recur({ from, back }: Recurrent, known: Float32Array, width: number, column: number, isBackward: boolean): void {
  const n = known.length / width;
  const units = back.inputs;
  const { inputs } = from;
  const length = Math.min(LONGEST, Math.ceil(n / STREAMS));
  const rows = (length + LEAD) * STREAMS;
  const heard = new Int32Array(rows * inputs);
  const fresh = new Float32Array(rows * 3 * units);
  const kept = new Float32Array(STREAMS * 3 * units);
  const counted = new Int32Array(STREAMS * units);
  const states = new Float32Array(STREAMS * units);
  for (let first = 0; first < n; first += length * STREAMS) {
    // Row by row: the first word of each stream, the second of each, and so on; -1 where a stream has none.
    const places = Int32Array.from({ length: rows }, (_, row) => {
      const at = first + (row % STREAMS) * length + Math.floor(row / STREAMS) - LEAD;
      return at < 0 || at >= n ? -1 : isBackward ? n - 1 - at : at;
    });
    places.forEach((place, row) => {
      for (let u = 0; u < inputs; u++) heard[row * inputs + u] = place < 0 ? 0 : known[place * width + u]! * UNIT;
    });
    denseInto(heard, rows, from, fresh);
    states.fill(0);
    for (let row = 0; row < rows; row++) {
      const stream = row % STREAMS;
      if (stream === 0) {
        for (let i = 0; i < states.length; i++) counted[i] = states[i]! * STATE_UNIT;
        denseInto(counted, STREAMS, back, kept, STATE_UNIT);
      }
      const place = places[row]!;
      if (place < 0) continue;
      const at = stream * units;
      hear(fresh, row * 3 * units, kept, stream * 3 * units, states, at, units);
      if (row >= LEAD * STREAMS) known.set(states.subarray(at, at + units), place * width + column);
    }
  }
}

/** The state after one more word. */
function hear(fresh: Float32Array, f: number, kept: Float32Array, k: number, states: Float32Array, at: number, units: number): void {
  for (let u = 0; u < units; u++) {
    const reset = sigmoid(fresh[f + u]! + kept[k + u]!);
    const hold = sigmoid(fresh[f + units + u]! + kept[k + units + u]!);
    const next = 2 * sigmoid(2 * (fresh[f + 2 * units + u]! + reset * kept[k + 2 * units + u]!)) - 1;
    states[at + u] = next + hold * (states[at + u]! - next);
  }
}

const REACH = 10;
const PER_UNIT = 256;
const CURVE = Float32Array.from({ length: 2 * REACH * PER_UNIT + 1 }, (_, i) => 1 / (1 + Math.exp(REACH - i / PER_UNIT)));

/** The logistic function, read off a curve. */
function sigmoid(x: number): number {
  if (x <= -REACH) return 0;
  return x >= REACH ? 1 : CURVE[((x + REACH) * PER_UNIT + 0.5) | 0]!;
}
