/** A layer whose weights are whole numbers with a scale for each output. */
export type Layer = { inputs: number; outputs: number; weights: Int32Array; scales: Float32Array; bias: Float32Array };

/** A layer from its rows, one for each output; an odd last output gets a silent neighbour. */
export function layerOf({ rows, weights, scales }: { rows: number; weights: Int32Array; scales: Float32Array }, bias: Float32Array): Layer {
  const inputs = weights.length / rows;
  const outputs = rows + (rows % 2);
  const padded = <T extends Int32Array | Float32Array>(values: T, into: T): T => (into.set(values as never), into);
  return {
    inputs,
    outputs,
    weights: padded(weights, new Int32Array(outputs * inputs)),
    scales: padded(scales, new Float32Array(outputs)),
    bias: padded(bias, new Float32Array(outputs)),
  };
}

// Inputs are counted in steps of a 64th, so that everything inside the loops is whole numbers: twice as fast.
export const UNIT = 64;

/** How many rows the loops below want for n of them. */
export const rowsFor = (n: number): number => Math.ceil(n / 4) * 4;

/** The rows of some places, in steps of `unit`. */
export function whole(rows: Float32Array, places: Int32Array, inputs: number, unit: number): Int32Array {
  const counted = new Int32Array(rowsFor(places.length) * inputs);
  for (let row = 0; row < places.length; row++) {
    for (let u = 0; u < inputs; u++) counted[row * inputs + u] = rows[places[row]! * inputs + u]! * unit;
  }
  return counted;
}

/** n rows, in steps of `unit`, through a layer. */
export function dense(whole: Int32Array, n: number, layer: Layer, unit = UNIT): Float32Array {
  const result = new Float32Array(rowsFor(n) * layer.outputs);
  denseInto(whole, n, layer, result, unit);
  return result.subarray(0, n * layer.outputs);
}

/**
 * n rows, in steps of `unit`, through a layer, into a result with room for rowsFor(n) rows. Four rows and two outputs
 * at a time, so that each number that is read is used more than once.
 */
export function denseInto(
  whole: Int32Array,
  n: number,
  { inputs, outputs, weights, scales, bias }: Layer,
  result: Float32Array,
  unit = UNIT,
): void {
  const padded = rowsFor(n);
  for (let i = 0; i < padded; i += 4) {
    const a = i * inputs;
    const b = a + inputs;
    const c = b + inputs;
    const d = c + inputs;
    for (let o = 0; o < outputs; o += 2) {
      const v = o * inputs;
      const w = v + inputs;
      let av = 0;
      let aw = 0;
      let bv = 0;
      let bw = 0;
      let cv = 0;
      let cw = 0;
      let dv = 0;
      let dw = 0;
      for (let k = 0; k < inputs; k++) {
        const wv = weights[v + k]!;
        const ww = weights[w + k]!;
        const xa = whole[a + k]!;
        const xb = whole[b + k]!;
        const xc = whole[c + k]!;
        const xd = whole[d + k]!;
        av = (av + Math.imul(xa, wv)) | 0;
        aw = (aw + Math.imul(xa, ww)) | 0;
        bv = (bv + Math.imul(xb, wv)) | 0;
        bw = (bw + Math.imul(xb, ww)) | 0;
        cv = (cv + Math.imul(xc, wv)) | 0;
        cw = (cw + Math.imul(xc, ww)) | 0;
        dv = (dv + Math.imul(xd, wv)) | 0;
        dw = (dw + Math.imul(xd, ww)) | 0;
      }
      const sv = scales[o]! / unit;
      const sw = scales[o + 1]! / unit;
      const at = i * outputs + o;
      result[at] = av * sv + bias[o]!;
      result[at + 1] = aw * sw + bias[o + 1]!;
      result[at + outputs] = bv * sv + bias[o]!;
      result[at + outputs + 1] = bw * sw + bias[o + 1]!;
      result[at + 2 * outputs] = cv * sv + bias[o]!;
      result[at + 2 * outputs + 1] = cw * sw + bias[o + 1]!;
      result[at + 3 * outputs] = dv * sv + bias[o]!;
      result[at + 3 * outputs + 1] = dw * sw + bias[o + 1]!;
    }
  }
}
