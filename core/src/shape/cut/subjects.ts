/**
 * What is known of words before a text is read: how often their stems stand in English, and vectors that lie close
 * together for stems that keep company. How it was made: core/training/README.md.
 */
export type Subjects = {
  stems: ReadonlyMap<string, number>;
  /** How often each stem stands among all content words, a share of one. */
  frequencies: Float32Array;
  size: number;
  /** Row by row, `size` figures a stem, of length one. */
  vectors: Float32Array;
};

/** For telling words: a stem in no list is mostly a name, rare, but not so rare that it outdoes everything. */
export const NAME = 3e-5;

/** How often a stem is taken to stand that is in no list. */
const RARE = 3e-6;

/** How often a stem stands in English, a share of one; `rare` for one that is in no list. */
export function frequencyOf({ stems, frequencies }: Subjects, stem: string, rare = RARE): number {
  const n = stems.get(stem);
  return n === undefined ? rare : frequencies[n]!;
}

/** Reads the file: a line of JSON, then for each stem the logarithm of its frequency and its vector as signed bytes. */
export function readSubjects(bytes: Uint8Array): Subjects {
  const end = bytes.indexOf(10);
  const { stems, size, step } = JSON.parse(new TextDecoder().decode(bytes.subarray(0, end))) as {
    stems: string;
    size: number;
    step: number;
  };
  const names = stems.split(' ');
  const figures = new Int8Array(bytes.buffer, bytes.byteOffset + end + 1, names.length * (size + 1));
  const frequencies = new Float32Array(names.length);
  const vectors = new Float32Array(names.length * size);
  names.forEach((_, n) => {
    const row = figures.subarray(n * (size + 1), (n + 1) * (size + 1));
    frequencies[n] = Math.exp(row[0]! * step);
    let square = 0;
    for (let u = 0; u < size; u++) square += row[u + 1]! ** 2;
    const length = Math.sqrt(square) || 1;
    for (let u = 0; u < size; u++) vectors[n * size + u] = row[u + 1]! / length;
  });
  return { stems: new Map(names.map((name, n) => [name, n])), frequencies, size, vectors };
}
