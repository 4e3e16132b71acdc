import { normal } from './terms.ts';
import { words } from './words.ts';

/** So many words on end make a shingle (Broder 1997 uses 4 to 10). */
export const SHINGLE_WORDS = 5;

/** A shingle as a number of 32 bits, and the letters of the text it covers. */
export type Shingle = { hash: number; from: number; to: number };

// FNV-1a, 32 bits (Fowler, Noll and Vo; constants from memory): over the letters of each word and a space.
function hashOf(text: string, hash = 0x811c9dc5): number {
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash;
}

/** Every run of words of a text, in order; none of a text shorter than one. Case, marks and spaces do not count. */
export function shinglesOf(text: string, length = SHINGLE_WORDS): Shingle[] {
  const all = words(text);
  const each = all.map((w) => hashOf(`${normal(w.text)} `));
  const found: Shingle[] = [];
  for (let i = 0; i + length <= all.length; i++) {
    let hash = 0x811c9dc5;
    for (let k = 0; k < length; k++) hash = Math.imul(hash ^ each[i + k]!, 0x01000193) ^ (hash >>> 15);
    found.push({ hash: hash >>> 0, from: all[i]!.from, to: all[i + length - 1]!.to });
  }
  return found;
}

/** How much of two sets is in both, 0 to 1: the size of what they share by the size of both together (Jaccard 1901). */
export function jaccard<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): number {
  let both = 0;
  for (const one of a) if (b.has(one)) both++;
  return both / (a.size + b.size - both || 1);
}

/** How many figures a signature has: its estimate is off by about 1/√128, 0.09. */
export const SIGNATURE_SIZE = 128;

// A turn of its own for each figure: an odd number to multiply with, so that no two hashes meet, and one to add.
const TURNS = Array.from({ length: SIGNATURE_SIZE }, (_, n) => ({
  times: (Math.imul(n + 1, 1664525) | 1) >>> 0,
  plus: Math.imul(n + 1, 22695477) >>> 0,
}));

// The last step of MurmurHash3 (Appleby; constants from memory): every bit of the sum decides on every bit of the result.
function mixed(h: number): number {
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** The signature of a set of numbers: for each of 128 orders the first of them (MinHash; Broder 1997). */
export function minHash(hashes: Iterable<number>): Uint32Array {
  const signature = new Uint32Array(SIGNATURE_SIZE).fill(0xffffffff);
  for (const hash of hashes)
    for (let n = 0; n < SIGNATURE_SIZE; n++) {
      const { times, plus } = TURNS[n]!;
      const turned = mixed((Math.imul(hash, times) + plus) | 0);
      if (turned < signature[n]!) signature[n] = turned;
    }
  return signature;
}

/** How alike the sets of two signatures are: an estimate of their Jaccard index. */
export function likeness(a: Uint32Array, b: Uint32Array): number {
  let same = 0;
  for (let n = 0; n < a.length; n++) if (a[n] === b[n]) same++;
  return same / a.length;
}
