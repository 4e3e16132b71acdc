import type { Marks } from './chances.ts';

/**
 * What talk alone teaches: a softmax over plain features of the words around a place and over what the network says of it,
 * learned on talks told for this product (core/training/README.md). The network learned on books and manuals; people who
 * explain things end their sentences elsewhere.
 */
export type Told = {
  /** The features there are, by their hash, in a table of open places; 0 is none. */
  hashes: Uint32Array;
  /** For each of them what it says for no mark, a comma and an end, in whole steps of `step`. */
  weights: Int8Array;
  step: number;
};

/** How many outcomes there are: no mark, a comma, an end. */
export const OUTCOMES = 3;

/** Reads what was learned: for each feature its hash of 32 bits and its weights of 8 bits. */
export function readTold(bytes: Uint8Array, entries: number, step: number): Told {
  const size = 2 ** Math.ceil(Math.log2(entries * 2));
  const told: Told = { hashes: new Uint32Array(size), weights: new Int8Array(size * OUTCOMES), step };
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let n = 0; n < entries; n++) {
    const at = n * (4 + OUTCOMES);
    const hash = view.getUint32(at, true);
    const place = placeOf(told.hashes, hash);
    told.hashes[place] = hash;
    for (let o = 0; o < OUTCOMES; o++) told.weights[place * OUTCOMES + o] = view.getInt8(at + 4 + o);
  }
  return told;
}

/** Where a hash stands in a table, or would stand. */
function placeOf(hashes: Uint32Array, hash: number): number {
  const mask = hashes.length - 1;
  let place = hash & mask;
  while (hashes[place] !== 0 && hashes[place] !== hash) place = (place + 1) & mask;
  return place;
}

/** What talk teaches of each place, in place of the network's own chances of ends and commas; the share that asks stays. */
export function hearAsTalk({ hashes, weights, step }: Told, said: readonly string[], marks: Marks, pauses: Uint8Array): void {
  const chances = { end: new Float32Array(said.length), comma: new Float32Array(said.length) };
  const sums = [0, 0, 0];
  const add = (hash: number) => {
    const place = placeOf(hashes, hash);
    if (hashes[place] === 0) return;
    for (let o = 0; o < OUTCOMES; o++) sums[o]! += weights[place * OUTCOMES + o]!;
  };
  const featuresAt = features(said, marks, pauses);
  for (let i = 0; i < said.length; i++) {
    sums.fill(0);
    featuresAt(i, add);
    const [none, comma, end] = sums.map((sum) => Math.exp(sum * step)) as [number, number, number];
    chances.comma[i] = comma / (none + comma + end);
    chances.end[i] = end / (none + comma + end);
  }
  for (let i = 0; i < said.length; i++) {
    marks.question[i]! *= chances.end[i]! / Math.max(1e-6, marks.end[i]!);
    marks.end[i] = chances.end[i]!;
    marks.comma[i] = chances.comma[i]!;
  }
}

/** The words seen around a place, from two before to three after it. */
const [BEFORE, AFTER] = [2, 3];

/**
 * The features of each place of a text, as hashes given to `add`: the words around it, by themselves, in twos and threes; how
 * sure the network is of an end and of a comma, alone and with the words beside; names and the pause at the place.
 */
export function features(said: readonly string[], { end, comma, name }: Marks, pauses: Uint8Array) {
  const hashes = hashesOf(said);
  const word = (i: number) => hashes[i] ?? EDGE;
  return (i: number, add: (hash: number) => void): void => {
    const [e, c] = [logit(end[i]!), logit(comma[i]!)];
    const isName = (name[i]! > NAMED ? 2 : 0) + ((name[i + 1] ?? 0) > NAMED ? 1 : 0);
    let kind = 1;
    const tell = (a = 0, b = 0, d = 0) => add(mixed(kind++, a, b, d));
    tell();
    tell(e);
    tell(c);
    tell(e, c);
    tell(isName);
    tell(logit(end[i + 1] ?? 0));
    tell(logit(end[i - 1] ?? 0));
    tell(pauses[i]!);
    tell(pauses[i]!, e);
    tell(e, word(i));
    tell(e, word(i + 1));
    for (let k = -BEFORE; k <= AFTER; k++) tell(word(i + k));
    for (let k = -1; k < AFTER; k++) tell(word(i + k), word(i + k + 1));
    for (let k = -1; k < AFTER - 1; k++) tell(word(i + k), word(i + k + 1), word(i + k + 2));
    tell(word(i), word(i + 2));
  };
}

const NAMED = 0.4;
const EDGE = 0x51ed270b;

/** The log-odds of a chance in whole steps of two thirds, from -6 to 6. */
const logit = (p: number): number => Math.max(-6, Math.min(6, Math.round(Math.log((p + 1e-4) / (1 - p + 1e-4)) * 1.5)));

/** The hash of each word (FNV-1a, draft-eastlake-fnv). */
function hashesOf(said: readonly string[]): Int32Array {
  const known = new Map<string, number>();
  return Int32Array.from(said, (word) => {
    let hash = known.get(word);
    if (hash === undefined) {
      hash = 0x811c9dc5;
      for (let i = 0; i < word.length; i++) hash = Math.imul(hash ^ word.charCodeAt(i), 0x01000193);
      known.set(word, hash);
    }
    return hash;
  });
}

/** One hash of a kind of feature and its parts; never 0. */
function mixed(kind: number, a: number, b: number, c: number): number {
  let hash = Math.imul(kind, 0x9e3779b1);
  for (let n = 0; n < 3; n++) {
    hash = Math.imul(hash ^ (n === 0 ? a : n === 1 ? b : c), 0x85ebca6b);
    hash ^= hash >>> 13;
  }
  return hash >>> 0 || 1;
}
