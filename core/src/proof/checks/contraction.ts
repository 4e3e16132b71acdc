import { type Check, PRACTICE } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';
import { WHAT_COUNTS } from '../what-counts.ts';

const find = eachMatch(
  /\b(?:(?:is|are|was|were|do|does|did|has|have|had|could|would|should|must|need)n|ca|wo|sha)[’']t\b|\b(?:I|you|we|they|he|she|it|that|there)[’'](?:m|re|ve|ll|d)\b/gi,
  ([words]) => ({
    says: `“${words}” is how people speak`,
    hint: 'The brief asks for a formal tone: write it out.',
  }),
);

export const contraction: Check = {
  name: 'contraction',
  kind: 'language',
  gravity: 'look',
  why: 'A formal text writes its words out.',
  source: PRACTICE,
  run: (post) => (WHAT_COUNTS.contraction.counts(post.details.brief ?? {}) ? find(post) : []),
};
