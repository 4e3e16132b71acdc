import { wordCount } from '../language/words.ts';
import { DEEDS, isOut, type Paragraph, type ProseSentence } from '../tidy/index.ts';

// A post has so many words at most, unless more are asked for (common practice, no source).
const MOST_WORDS = 1500;
// Of what is said, so much stands on a page: of rambling talk less than of dense. What editors keep of talks is 0.51 to 0.87.
const RAMBLING = { worth: 0.7, share: 0.68 };
const DENSE = { worth: 0.9, share: 0.88 };
const HIGHEST = 3;
// What must not be lost counts more than what it is expected to be worth.
const FIGURE = 1;
const DEED = 0.6;
const WARNING = 0.6;
// A sentence that another one points back at takes it along.
const POINTED_AT = 0.4;
const WARNS = /\b(?:never|don't|careful|mind|must|danger|dangerous|only|unless|otherwise|warning|sure)\b/i;
const POINTS_BACK = /^(?:it|that|this|these|those|they|he|she|which|them|otherwise|that's|it's)\b/i;
const NUMBER = /\d|\b(?:two|three|four|five|six|seven|eight|nine|ten|twelve|twenty|thirty|half|hundred|thousand|percent)\b/i;

/** Why a sentence that could stand on the page does not. */
export const LEAST_NEEDED = 'Least needed for the length';

const worthOf = (s: ProseSentence): number => {
  const first = /^(?:(?:then|next|first),? )?([a-z-]+)/i.exec(s.text)?.[1]?.toLowerCase() ?? '';
  return (
    (s.wording?.worth ?? HIGHEST) +
    (NUMBER.test(s.text) ? FIGURE : 0) +
    (DEEDS.has(first) ? DEED : 0) +
    (WARNS.test(s.text.replaceAll('’', "'")) ? WARNING : 0)
  );
};

/** How many words a page made of talk has when nobody says: by how dense the talk is, and no more than a post. */
export function usualLength(paragraphs: readonly Paragraph[]): number {
  let words = 0;
  let worth = 0;
  for (const { text, wording } of paragraphs.flatMap((p) => p.sentences)) {
    const size = wordCount(wording?.said ?? text);
    words += size;
    worth += (size * (wording?.worth ?? HIGHEST)) / HIGHEST;
  }
  const density = Math.min(1, Math.max(0, (worth / Math.max(1, words) - RAMBLING.worth) / (DENSE.worth - RAMBLING.worth)));
  return Math.min(MOST_WORDS, Math.round(words * (RAMBLING.share + density * (DENSE.share - RAMBLING.share))));
}

/**
 * Material with so many words at most left to stand on a page: what is least needed is left out, sentence by sentence; steps,
 * figures and warnings last. What points back goes with what it points at.
 */
export function atMost(paragraphs: readonly Paragraph[], words: number): Paragraph[] {
  const sentences = paragraphs.flatMap((p) => p.sentences);
  const out = new Set<ProseSentence>();
  let total = sentences.reduce((sum, s) => sum + (isOut(s) ? 0 : wordCount(s.text)), 0);
  const standing = sentences.filter((s) => s.wording && !isOut(s));
  const next = new Map(standing.map((s, i) => [s, standing[i + 1]]));
  const pointer = (s: ProseSentence) => {
    const after = next.get(s);
    return after && POINTS_BACK.test(after.text) ? after : undefined;
  };
  const need = new Map(standing.map((s) => [s, worthOf(s)]));
  const ranked = standing
    .map((s) => ({ s, need: need.get(s)! + (pointer(s) ? Math.max(0, POINTED_AT + (need.get(pointer(s)!)! - need.get(s)!) / 2) : 0) }))
    .sort((a, b) => a.need - b.need);
  for (const { s } of ranked) {
    for (let gone: ProseSentence | undefined = s; gone && total > words && !out.has(gone); gone = pointer(gone)) {
      out.add(gone);
      total -= wordCount(gone.text);
    }
    if (total <= words) break;
  }
  if (!out.size) return [...paragraphs];
  return paragraphs.map((p) => ({
    ...p,
    sentences: p.sentences.map((s) => (out.has(s) ? { ...s, wording: { ...s.wording!, out: LEAST_NEEDED } } : s)),
  }));
}
