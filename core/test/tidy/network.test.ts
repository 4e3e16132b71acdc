import { expect } from 'chai';
import { kernelOf } from '../../src/tidy/marks/kernel.ts';
import { Network, rowInSteps, type Block, type Table } from '../../src/tidy/marks/network.ts';

/** Figures that look like chance and are always the same, from -0.5 to 0.5. */
function chance(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32 - 0.5;
  };
}

type Rows = number[][];
const rowsOf = (rows: number, columns: number, next: () => number): Rows =>
  Array.from({ length: rows }, () => Array.from({ length: columns }, () => Math.fround(next())));
const stepsOf = (rows: number, columns: number, next: () => number): Rows =>
  Array.from({ length: rows }, () => Array.from({ length: columns }, () => Math.round(next() * 2000)));
const farthest = (a: ArrayLike<number>, b: readonly number[]) => b.reduce((most, value, i) => Math.max(most, Math.abs(value - a[i]!)), 0);

describe('the kernel of the network for marks', () => {
  const next = chance(3);

  /** A memory with these numbers one after the other, and where each of them begins. */
  function laidOut(...all: (Float32Array | Int16Array)[]) {
    const kernel = kernelOf(all.reduce((bytes, values) => bytes + values.byteLength, 0));
    let at = 0;
    const places = all.map((values) => {
      new Uint8Array(kernel.memory.buffer, at).set(new Uint8Array(values.buffer));
      at += values.byteLength;
      return at - values.byteLength;
    });
    return { kernel, places };
  }
  const floats = (rows: Rows) => Float32Array.from(rows.flat());
  const steps = (rows: Rows) => Int16Array.from(rows.flat());
  /** Weights as the kernel wants them: those of two inputs side by side. */
  const paired = (w: Rows) => w.flatMap((row, i) => (i % 2 ? [] : [row.flatMap((weight, o) => [weight, w[i + 1]![o]!])]));

  for (const [rows, inputs, outputs] of [
    [4, 2, 8],
    [12, 20, 24],
    [8, 96, 40],
  ] as const) {
    it(`puts ${rows} rows of ${inputs} through a layer of ${outputs}, as the sums written out give it`, () => {
      const [x, w] = [stepsOf(rows, inputs, next), stepsOf(inputs, outputs, next)];
      const [s, b, y] = [rowsOf(1, outputs, next), rowsOf(1, outputs, next), rowsOf(rows, outputs, next)];
      const behind = floats(rowsOf(1, 8, next));
      const { kernel, places } = laidOut(steps(x), steps(paired(w)), floats(s), floats(b), floats(y), behind);
      const [atX, atW, atS, atB, atY, atBehind] = places as [number, number, number, number, number, number];
      kernel.dense(atX, atW, atS, atB, atY, rows, inputs * 2, outputs * 4);
      const wanted = y.flatMap((row, i) =>
        row.map((value, o) => value + b[0]![o]! + s[0]![o]! * x[i]!.reduce((sum, v, k) => sum + v * w[k]![o]!, 0)),
      );
      const got = new Float32Array(kernel.memory.buffer, atY, wanted.length);
      expect(farthest(got, wanted) / Math.max(...wanted.map(Math.abs))).to.be.below(1e-6);
      expect(Array.from(new Float32Array(kernel.memory.buffer, atBehind, 8)), 'what stands behind').to.deep.equal(Array.from(behind));
    });
  }

  for (const [what, least] of [
    ['leaves nothing below nought', 0],
    ['leaves what is below nought if nothing is the least', -Infinity],
  ] as const) {
    it(`adds up near neighbours column by column, in steps, and ${what}`, () => {
      const [columns, neighbours, step, count, unit] = [16, 3, 2, 5, 512];
      const [x, w, b] = [
        rowsOf(count + (neighbours - 1) * step, columns, next),
        rowsOf(neighbours, columns, next),
        rowsOf(1, columns, next),
      ];
      const { kernel, places } = laidOut(floats(x), floats(w), floats(b), new Int16Array(count * columns));
      const [atX, atW, atB, atY] = places as [number, number, number, number];
      kernel.near(atX, atW, atB, atY, count, columns * 4, neighbours, step * columns * 4, least, unit);
      const wanted = Array.from({ length: count }, (_, i) =>
        b[0]!.map(
          (bias, c) =>
            unit *
            Math.max(
              least,
              w.reduce((sum, weights, k) => sum + weights[c]! * x[i + k * step]![c]!, bias),
            ),
        ),
      ).flat();
      expect(farthest(new Int16Array(kernel.memory.buffer, atY, wanted.length), wanted)).to.be.at.most(0.501);
      expect(wanted.some((v) => v < 0)).to.equal(least < 0);
    });
  }

  it('makes the greatest step of what is too great for one', () => {
    const { kernel, places } = laidOut(
      floats([[100, -100, 1, 0, 0, 0, 0, 0]]),
      floats([[1, 1, 1, 1, 1, 1, 1, 1]]),
      new Float32Array(8),
      new Int16Array(8),
    );
    kernel.near(places[0]!, places[1]!, places[2]!, places[3]!, 1, 32, 1, 32, -Infinity, 512);
    expect(Array.from(new Int16Array(kernel.memory.buffer, places[3], 3))).to.deep.equal([32767, -32768, 512]);
  });
});

describe('the network for marks', () => {
  const next = chance(11);
  const [inputs, width, outputs] = [4, 8, 8];
  // Weights that are whole steps of the scale their row has, so that counting in steps changes nothing.
  const table = (rows: number, columns: number): Table => ({
    rows,
    columns,
    values: Float32Array.from({ length: rows * columns }, (_, i) => (i % columns ? Math.round(next() * 127) / 127 : 1)),
  });
  const layer = (outs: number, ins: number) => ({ weights: table(outs, ins), bias: table(1, outs) });
  const block = (before: number, after: number, step: number): Block => ({
    before,
    step,
    near: { weights: table(before + 1 + after, width), bias: table(1, width) },
    layer: layer(width, width),
  });
  const layers = { first: layer(width, inputs), blocks: [block(2, 1, 1), block(1, 2, 4)], last: layer(outputs, width) };

  /** The layers by their formula, in plain figures. */
  function byFormula(rows: Rows): Rows {
    const through = ({ weights, bias }: ReturnType<typeof layer>, row: number[]) =>
      Array.from({ length: weights.rows }, (_, o) =>
        row.reduce((sum, v, k) => sum + v * weights.values[o * weights.columns + k]!, bias.values[o]!),
      );
    let x = rows.map((row) => through(layers.first, row));
    for (const { near, layer: own, before, step } of layers.blocks) {
      const heard = x.map((_, i) =>
        Array.from({ length: width }, (_unused, c) => {
          let sum = near.bias.values[c]!;
          for (let k = 0; k < near.weights.rows; k++) sum += near.weights.values[k * width + c]! * (x[i + (k - before) * step]?.[c] ?? 0);
          return Math.max(0, sum);
        }),
      );
      x = x.map((row, i) => through(own, heard[i]!).map((v, c) => v + row[c]!));
    }
    return x.map((row) => through(layers.last, row));
  }

  // Longer than what goes through at once, so that the seams between are seen too.
  for (const count of [1, 7, 1300]) {
    it(`gives for ${count} rows what its formula gives, wherever a row stands`, () => {
      const rows = rowsOf(count, inputs, next).map((row) => row.map((v) => Math.round(v * 64) / 512));
      // What a row hears of before the first and after the last are rows of nothing, as far as the layers reach.
      const reach = 30;
      const around = Array.from({ length: reach }, () => new Array<number>(inputs).fill(0));
      const wanted = byFormula([...around, ...rows, ...around]).slice(reach, -reach);
      const got: number[][] = [];
      new Network(layers).run(
        count,
        (i) => rowInSteps(Float32Array.from(rows[i] ?? around[0]!)),
        (place, out, at) => (got[place] = Array.from(out.subarray(at, at + outputs))),
      );
      expect(got.length).to.equal(count);
      // A step of a row is a 512th; a few of them add up on the way.
      expect(farthest(got.flat(), wanted.flat()) / Math.max(...wanted.flat().map(Math.abs))).to.be.below(0.002);
    });
  }
});
