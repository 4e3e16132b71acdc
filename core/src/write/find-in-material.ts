import { terms } from '../language/terms.ts';
import type { SourceProse } from '../shape/index.ts';
import type { ProseSentence } from '../tidy/index.ts';

/** A sentence of the material that says what was looked for, and how well: the most telling first. */
export type FoundSentence = ProseSentence & { source: string; score: number };

/** The material, ready to be looked through. */
export type MaterialIndex = {
  sentences: (ProseSentence & { source: string; length: number })[];
  /** For each stem, the sentences that hold it and how often, one after the other. */
  postings: ReadonlyMap<string, number[]>;
  meanLength: number;
};

// The usual settings of BM25.
const K = 1.2;
const B = 0.75;
// A sentence says a part of it when its neighbour says the rest.
const NEIGHBOUR = 0.35;

/** Makes material ready to be looked through. */
export function indexOf(materials: readonly SourceProse[]): MaterialIndex {
  const sentences: MaterialIndex['sentences'] = [];
  const postings = new Map<string, number[]>();
  let total = 0;
  for (const { source, paragraphs } of materials) {
    for (const { sentences: said } of paragraphs) {
      for (const sentence of said) {
        const stems = terms(sentence.text);
        const n = sentences.push({ ...sentence, source, length: stems.length }) - 1;
        total += stems.length;
        const counts = new Map<string, number>();
        for (const s of stems) counts.set(s, (counts.get(s) ?? 0) + 1);
        for (const [s, count] of counts) {
          const list = postings.get(s);
          if (list) list.push(n, count);
          else postings.set(s, [n, count]);
        }
      }
    }
  }
  return { sentences, postings, meanLength: total / Math.max(1, sentences.length) };
}

/**
 * The sentences of the material that say some words, best first: BM25 (Robertson and Zaragoza 2009) over stems, with a
 * share of what the neighbours say.
 */
export function findInMaterial({ sentences, postings, meanLength }: MaterialIndex, words: string, most = 8): FoundSentence[] {
  const scores = new Float64Array(sentences.length);
  for (const stem of new Set(terms(words))) {
    const list = postings.get(stem) ?? [];
    const holders = list.length / 2;
    const rarity = Math.log(1 + (sentences.length - holders + 0.5) / (holders + 0.5));
    for (let k = 0; k < list.length; k += 2) {
      const n = list[k]!;
      const count = list[k + 1]!;
      scores[n]! += (rarity * count * (K + 1)) / (count + K * (1 - B + (B * sentences[n]!.length) / meanLength));
    }
  }
  const near = (n: number, other: number) => (sentences[other]?.source === sentences[n]!.source ? (scores[other] ?? 0) : 0);
  return sentences
    .flatMap((sentence, n) => {
      if (!scores[n]) return [];
      const { length: _, ...said } = sentence;
      return [{ ...said, score: scores[n]! + NEIGHBOUR * Math.max(near(n, n - 1), near(n, n + 1)) }];
    })
    .sort((a, b) => b.score - a.score)
    .slice(0, most);
}
