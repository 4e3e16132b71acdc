/**
 * A small network that says, for each word of a text without marks, which mark stands after it and whether it is a
 * name. How it was made: core/training/README.md. Its layers, for words i of a text:
 *
 *   x_i = word + ending + shape (embeddings), then two figures for the pause before it and two for the one after
 *   h_i = relu(W [x_(i-left) … x_(i+right)] + b)
 *   z_i = relu(P h_i + p)
 *   z_i = z_i + relu(B sum_k w_k ∘ z_(i + k·reach) + b)      for each block
 *   marks = softmax(O [h_i, z_i] + o), name = sigmoid(N [h_i, z_i] + n)
 */
export type MarksModel = {
  words: ReadonlyMap<string, number>;
  endings: ReadonlyMap<string, number>;
  sizes: Sizes;
  tensors: Record<string, Float32Array>;
};

type Sizes = { embedding: number; hidden: number; inner: number; left: number; right: number; reaches: number[]; marks: number };
type Header = { sizes: Sizes; words: string[]; endings: string[]; tensors: { name: string; rows: number; columns: number }[] };

/** How many figures say something of the pauses beside a word: known and long, before it and after it. */
const PAUSES = 4;

/** Reads a model from its file: a line of JSON, then for each row of each tensor a scale and its weights as whole numbers. */
export function readModel(bytes: Uint8Array): MarksModel {
  const end = bytes.indexOf(10);
  const header = JSON.parse(new TextDecoder('utf-8').decode(bytes.subarray(0, end))) as Header;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = end + 1;
  const tensors: Record<string, Float32Array> = {};
  for (const { name, rows, columns } of header.tensors) {
    const values = new Float32Array(rows * columns);
    for (let row = 0; row < rows; row++) {
      const scale = view.getFloat32(at, true);
      at += 4;
      for (let column = 0; column < columns; column++) values[row * columns + column] = view.getInt8(at++) * scale;
    }
    tensors[name] = values;
  }
  const numbered = (list: string[]) => new Map(list.map((text, i) => [text, i + 1]));
  return { words: numbered(header.words), endings: numbered(header.endings), sizes: header.sizes, tensors };
}

/** What the model says of each word: the chances of a sentence end, a question, a comma after it, and of a name. */
export type Marks = { end: Float32Array; question: Float32Array; comma: Float32Array; name: Float32Array };

/** What is known of the pause after a word: nothing, that there is none, that there is one. */
export const UNKNOWN = 0;
export const NO_PAUSE = 1;
export const PAUSE = 2;

/**
 * The marks of a run of words in lower case.
 * @param pauses for each word, what is known of the pause after it
 */
export function marksOf({ words: known, endings, sizes, tensors }: MarksModel, words: readonly string[], pauses: Uint8Array): Marks {
  const n = words.length;
  const { embedding, hidden, inner, left, right, reaches, marks } = sizes;
  const width = left + right + 1;
  const [word, ending, shape, near, nearBias] = ['word', 'ending', 'shape', 'near', 'nearBias'].map((name) => tensors[name]!);

  // What a word gives to each of its neighbours is the same wherever it stands.
  const gifts = new Map<string, Float32Array>();
  const giftOf = (text: string): Float32Array => {
    const made = gifts.get(text);
    if (made) return made;
    const gift = new Float32Array(width * hidden);
    const [a, b, c] = [(known.get(text) ?? 0) * embedding, (endings.get(text.slice(-3)) ?? 0) * embedding, shapeOf(text) * embedding];
    for (let e = 0; e < embedding; e++) {
      const value = word![a + e]! + ending![b + e]! + shape![c + e]!;
      const row = e * width * hidden;
      for (let k = 0; k < width * hidden; k++) gift[k]! += value * near![row + k]!;
    }
    gifts.set(text, gift);
    return gift;
  };

  const h = new Float32Array(n * hidden);
  for (let i = 0; i < n; i++) h.set(nearBias!, i * hidden);
  for (let j = 0; j < n; j++) {
    const gift = giftOf(words[j]!);
    const before = j ? pauses[j - 1]! : UNKNOWN;
    const after = pauses[j]!;
    for (let k = 0; k < width; k++) {
      const i = j - k + left;
      if (i < 0 || i >= n) continue;
      const to = i * hidden;
      const from = k * hidden;
      for (let u = 0; u < hidden; u++) h[to + u]! += gift[from + u]!;
      for (let f = 0; f < PAUSES; f++) {
        if (!(f < 2 ? before : after) || (f % 2 && (f < 2 ? before : after) !== PAUSE)) continue;
        const row = (embedding + f) * width * hidden + from;
        for (let u = 0; u < hidden; u++) h[to + u]! += near![row + u]!;
      }
    }
  }
  relu(h);
  let z = dense(h, n, hidden, tensors.inner!, tensors.innerBias!, inner);
  relu(z);
  reaches.forEach((reach, b) => {
    z = block(z, n, inner, reach, tensors[`block${b}Near`]!, tensors[`block${b}`]!, tensors[`block${b}Bias`]!);
  });

  const result: Marks = { end: new Float32Array(n), question: new Float32Array(n), comma: new Float32Array(n), name: new Float32Array(n) };
  const outputs = marks + 1;
  const fromH = dense(h, n, hidden, tensors.out!, tensors.outBias!, outputs);
  const fromZ = dense(z, n, inner, tensors.out!.subarray(hidden * outputs), new Float32Array(outputs), outputs);
  for (let i = 0; i < n; i++) {
    let total = 0;
    const chance = (m: number) => Math.exp(fromH[i * outputs + m]! + fromZ[i * outputs + m]!);
    for (let m = 0; m < marks; m++) total += chance(m);
    result.comma[i] = chance(1) / total;
    result.question[i] = chance(3) / total;
    result.end[i] = chance(2) / total + result.question[i]!;
    const name = chance(marks);
    result.name[i] = name / (1 + name);
  }
  return result;
}

/** The shape of a word, as the training script counts it: figures, a hyphen, an apostrophe, short. */
function shapeOf(word: string): number {
  return (/\d/.test(word) ? 1 : 0) + (word.includes('-') ? 2 : 0) + (word.includes("'") ? 4 : 0) + (word.length <= 3 ? 8 : 0);
}

function relu(values: Float32Array): void {
  for (let i = 0; i < values.length; i++) if (values[i]! < 0) values[i] = 0;
}

/** n rows through a layer; the weights lie input by input, and inputs of nought, which are most, cost nothing. */
function dense(rows: Float32Array, n: number, inputs: number, weights: Float32Array, bias: Float32Array, outputs: number): Float32Array {
  const result = new Float32Array(n * outputs);
  for (let i = 0; i < n; i++) {
    const to = i * outputs;
    for (let o = 0; o < outputs; o++) result[to + o] = bias[o]!;
    for (let k = 0; k < inputs; k++) {
      const value = rows[i * inputs + k]!;
      if (value === 0) continue;
      const row = k * outputs;
      for (let o = 0; o < outputs; o++) result[to + o]! += value * weights[row + o]!;
    }
  }
  return result;
}

/** Far neighbours, each channel by itself, then all channels together; what came in is added. */
function block(
  z: Float32Array,
  n: number,
  size: number,
  reach: number,
  near: Float32Array,
  weights: Float32Array,
  bias: Float32Array,
): Float32Array {
  const taps = near.length / size;
  const half = taps >> 1;
  const gathered = new Float32Array(n * size);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < taps; k++) {
      const j = i + (k - half) * reach;
      if (j < 0 || j >= n) continue;
      for (let u = 0; u < size; u++) gathered[i * size + u]! += z[j * size + u]! * near[k * size + u]!;
    }
  }
  const added = dense(gathered, n, size, weights, bias, size);
  relu(added);
  for (let i = 0; i < added.length; i++) added[i]! += z[i]!;
  return added;
}
