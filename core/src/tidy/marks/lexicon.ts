/** What is told of a word by lists: that it is a common word, a name, a noun, a verb, an adjective, an adverb. */
export const LISTS = ['common', 'name', 'noun', 'verb', 'adjective', 'adverb'] as const;
export type List = (typeof LISTS)[number];

/** A set of words kept as a Bloom filter (Bloom 1970): it never misses one of its words, and takes 1 other in 50 for one. */
export type Filter = { bits: Uint8Array; hashes: number };

/** Bits for each word of a filter, and hashes, for one false word in about fifty. */
export const BITS_A_WORD = 8;
export const HASHES = 5;

type Hash = { first: number; step: number };

/** Two hashes of a word (FNV-1a), from which its places in any filter follow (Kirsch and Mitzenmacher 2006). */
function hashOf(word: string): Hash {
  let a = 0x811c9dc5;
  let b = 0x1b873593;
  for (let i = 0; i < word.length; i++) {
    a = Math.imul(a ^ word.charCodeAt(i), 0x01000193);
    b = Math.imul(b ^ word.charCodeAt(i), 0x85ebca6b);
  }
  return { first: a >>> 0, step: (b | 1) >>> 0 };
}
const placeOf = ({ first, step }: Hash, k: number, size: number): number => (first + k * step) % size;

/** A filter of words. */
export function filterOf(words: readonly string[]): Filter {
  const bits = new Uint8Array(Math.ceil((words.length * BITS_A_WORD) / 8) + 1);
  for (const word of words) {
    const hash = hashOf(word);
    for (let k = 0; k < HASHES; k++) {
      const place = placeOf(hash, k, bits.length * 8);
      bits[place >> 3]! |= 1 << (place & 7);
    }
  }
  return { bits, hashes: HASHES };
}

function isIn({ bits, hashes }: Filter, hash: Hash): boolean {
  for (let k = 0; k < hashes; k++) {
    const place = placeOf(hash, k, bits.length * 8);
    if (!((bits[place >> 3]! >> (place & 7)) & 1)) return false;
  }
  return true;
}

// The endings English words take, and what stood in their place; after a list is asked for the word itself.
const ENDINGS: Record<string, readonly (readonly [ending: string, instead: string])[]> = {
  noun: [
    ['s', ''],
    ['es', ''],
    ['ies', 'y'],
    ["'s", ''],
  ],
  verb: [
    ['s', ''],
    ['es', ''],
    ['ies', 'y'],
    ['ed', ''],
    ['ed', 'e'],
    ['ied', 'y'],
    ['ing', ''],
    ['ing', 'e'],
  ],
  adjective: [
    ['er', ''],
    ['est', ''],
    ['er', 'e'],
    ['est', 'e'],
  ],
  name: [["'s", '']],
};

/** The lists a word stands in, as bits in the order of LISTS. */
export function listsOf(word: string, filters: Record<List, Filter>): number {
  const own = hashOf(word);
  let found = 0;
  LISTS.forEach((list, bit) => {
    const filter = filters[list];
    const isListed =
      isIn(filter, own) ||
      ENDINGS[list]?.some(
        ([ending, instead]) =>
          word.length > ending.length + 2 && word.endsWith(ending) && isIn(filter, hashOf(word.slice(0, -ending.length) + instead)),
      ) ||
      // A consonant doubled before the ending: "running", "stopped".
      (list === 'verb' && /([bdglmnprt])\1(?:ed|ing)$/.test(word) && isIn(filter, hashOf(word.replace(/.(?:ed|ing)$/, ''))));
    if (isListed) found |= 1 << bit;
  });
  return found;
}
