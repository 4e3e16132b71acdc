import { expect } from 'chai';
import { layerOf, type Layer } from '@even-page/core/tidy/marks/dense';
import { recur } from '@even-page/core/tidy/marks/recurrent';

const INPUTS = 4;
const UNITS = 4;

/** A row of figures that looks like chance and is always the same. */
function chance(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32 - 0.5;
  };
}

function layer(rows: number, columns: number, next: () => number): Layer {
  const weights = Int32Array.from({ length: rows * columns }, () => Math.round(next() * 127));
  return layerOf(
    { rows, weights, scales: new Float32Array(rows).fill(0.02) },
    Float32Array.from({ length: rows }, () => next()),
  );
}

const sigmoid = (x: number) => 1 / (1 + Math.exp(-x));

/** The layer by its formula (Cho et al. 2014, as PyTorch's nn.GRU has it), word by word in plain figures. */
function byFormula(from: Layer, back: Layer, rows: number[][]): number[][] {
  const through = ({ inputs, weights, scales, bias }: Layer, x: readonly number[], o: number) =>
    x.reduce((sum, value, k) => sum + value * weights[o * inputs + k]! * scales[o]!, bias[o]!);
  let state = new Array<number>(UNITS).fill(0);
  return rows.map((x) => {
    state = state.map((held, u) => {
      const reset = sigmoid(through(from, x, u) + through(back, state, u));
      const hold = sigmoid(through(from, x, UNITS + u) + through(back, state, UNITS + u));
      const next = Math.tanh(through(from, x, 2 * UNITS + u) + reset * through(back, state, 2 * UNITS + u));
      return (1 - hold) * next + hold * held;
    });
    return state;
  });
}

describe('the recurrent layer of the network for marks', () => {
  const next = chance(7);
  const from = layer(3 * UNITS, INPUTS, next);
  const back = layer(3 * UNITS, UNITS, next);
  const width = INPUTS + UNITS;

  /** The greatest distance of any state from what the formula gives. */
  function farthest(n: number, isBackward: boolean): number {
    // In steps of a 64th, as the layer counts them.
    const rows = Array.from({ length: n }, () => Array.from({ length: INPUTS }, () => Math.round(Math.abs(next()) * 256) / 64));
    const known = new Float32Array(n * width);
    rows.forEach((row, i) => known.set(row, i * width));
    recur({ from, back }, known, width, INPUTS, isBackward);
    const wanted = byFormula(from, back, isBackward ? rows.toReversed() : rows);
    if (isBackward) wanted.reverse();
    let most = 0;
    wanted.forEach((state, i) => state.forEach((value, u) => (most = Math.max(most, Math.abs(value - known[i * width + INPUTS + u]!)))));
    rows.forEach((row, i) => expect(Array.from(known.subarray(i * width, i * width + INPUTS)), 'its inputs stay').to.deep.equal(row));
    return most;
  }

  for (const n of [1, 3, 4, 5, 130, 2600]) {
    it(`knows after each of ${n} words what the formula says, from the front and from the end`, () => {
      expect(farthest(n, false)).to.be.below(0.02);
      expect(farthest(n, true)).to.be.below(0.02);
    });
  }
});
