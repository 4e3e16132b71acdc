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
export function findInMaterial(index: MaterialIndex, words: string, most = 8): FoundSentence[] {
  return likestSentences(index, terms(words), most).map(({ n, score }) => {
    const { length: _, ...said } = index.sentences[n]!;
    return { ...said, score };
  });
}

/** The same by stems, as places among the sentences of the index. */
export function likestSentences(index: MaterialIndex, stems: readonly string[], most: number): { n: number; score: number }[] {
  const { sentences, postings, meanLength } = index;
  const scores = scoresOf(index);
  const seen: number[] = [];
  for (const stem of new Set(stems)) {
    const list = postings.get(stem);
    if (!list) continue;
    const holders = list.length / 2;
    const rarity = Math.log(1 + (sentences.length - holders + 0.5) / (holders + 0.5));
    for (let k = 0; k < list.length; k += 2) {
      const n = list[k]!;
      const count = list[k + 1]!;
      if (!scores[n]) seen.push(n);
      scores[n]! += (rarity * count * (K + 1)) / (count + K * (1 - B + (B * sentences[n]!.length) / meanLength));
    }
  }
  const near = (n: number, other: number) => (scores[other] && sentences[other]!.source === sentences[n]!.source ? scores[other] : 0);
  // Only the best are kept in order: of a long talk thousands hold one of the words.
  const best: { n: number; score: number }[] = [];
  let least = 0;
  for (const n of seen) {
    const score = scores[n]! + NEIGHBOUR * Math.max(near(n, n - 1), near(n, n + 1));
    if (best.length === most && score <= least) continue;
    let at = best.length;
    while (at > 0 && best[at - 1]!.score < score) at--;
    best.splice(at, 0, { n, score });
    if (best.length > most) best.pop();
    least = best.at(-1)!.score;
  }
  for (const n of seen) scores[n] = 0;
  return best;
}

const scratch = new WeakMap<MaterialIndex, Float64Array>();

/** A score for each sentence, all of them nothing: the same for every question, and left as it was found. */
function scoresOf(index: MaterialIndex): Float64Array {
  let scores = scratch.get(index);
  if (!scores) scratch.set(index, (scores = new Float64Array(index.sentences.length)));
  return scores;
}
