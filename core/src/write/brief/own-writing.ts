import { sentences } from '../../language/sentences.ts';
import { normal } from '../../language/terms.ts';
import { wordCount, words } from '../../language/words.ts';

/** What a sample of writing sounds like, in figures. */
export type OwnWriting = { sentenceWords: number; contractions: boolean; person: 'you' | 'we' | 'I' | 'none' };

// Fewer words tell nothing about how somebody writes.
const FEWEST_WORDS = 40;
const OF_PERSON = {
  I: /^(?:i|i'm|i've|i'll|i'd|my|me|mine)$/,
  we: /^(?:we|we're|we've|we'll|our|us|ours)$/,
  you: /^(?:you|you're|you've|you'll|your|yours)$/,
};
// From here on a person is how a text is told: one in fifty words.
const TOLD = 0.02;

/** The figures of a sample; null when it is too short to tell. */
export function ownWriting(sample: string): OwnWriting | null {
  const all = words(sample).map((w) => normal(w.text));
  if (all.length < FEWEST_WORDS) return null;
  const shares = (['you', 'we', 'I'] as const)
    .map((person) => ({ person, share: all.filter((w) => OF_PERSON[person].test(w)).length / all.length }))
    .sort((a, b) => b.share - a.share);
  return {
    sentenceWords: Math.round(wordCount(sample) / Math.max(1, sentences(sample).length)),
    contractions: all.some((w) => /n't$|'(?:re|ll|ve|m)$/.test(w)),
    person: shares[0]!.share >= TOLD ? shares[0]!.person : 'none',
  };
}
