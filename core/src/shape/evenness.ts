/** How evenly words are spread over sections. */
export type Evenness = {
  /** Pielou's evenness, 0 (all in one) to 1 (all alike); null with fewer than two sections. */
  evenness: number | null;
  /** Which way the weight lies: -1 (all at the start) to 1 (all at the end), 0 when it balances. */
  tip: number;
};

/**
 * The evenness of word counts: J = H / ln S, with H the Shannon entropy of the shares and S the number of
 * sections (Pielou 1966); and where their centre of mass lies along the post.
 */
export function evennessOf(counts: readonly number[]): Evenness {
  const total = counts.reduce((sum, c) => sum + c, 0);
  const s = counts.length;
  if (s < 2 || total === 0) return { evenness: null, tip: 0 };
  const entropy = counts.reduce((sum, c) => (c ? sum - (c / total) * Math.log(c / total) : sum), 0);
  const middle = (s - 1) / 2;
  const centre = counts.reduce((sum, c, i) => sum + (c / total) * i, 0);
  return { evenness: entropy / Math.log(s), tip: (centre - middle) / middle };
}

/** Whether a section is thin: under half the median of them all. */
export const isThin = (words: number, counts: readonly number[]): boolean => weightOf(words, counts) === 'thin';

/** Whether a section is thin, under half the median of them all, or long, over twice of it. */
export function weightOf(words: number, counts: readonly number[]): 'thin' | 'long' | '' {
  if (counts.length < 2) return '';
  const sorted = [...counts].sort((a, b) => a - b);
  const half = sorted.length / 2;
  const median = sorted.length % 2 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2;
  return words < median / 2 ? 'thin' : words > median * 2 ? 'long' : '';
}
