import type { Rule } from '../rule.ts';

const REASON = 'Shorter said';
const BETWEEN = '( also|then|now|probably|always|never|only|all|automatically )*';

/** "It's going to load": it will. */
export const future: readonly Rule[] = [
  {
    name: 'going-you',
    reason: REASON,
    find: `a=( you're|we're ) b=( ${BETWEEN} ) going to @lightly* >( <v|n|d> )`,
    put: '$a.person $b',
    guard: ({ wording, before, after }) =>
      wording.telling.isHowTo &&
      wording.end[0] !== '?' &&
      !/\b(?:if|(?:thought|says?|said|knew|told)(?: \w+)?(?: ,)?)$/.test(before) &&
      !/^(?:be|have)\b/.test(after),
  },
  {
    name: 'going-short',
    reason: REASON,
    find: `a=( it's|that's|this's|there's|they're|he's|she's|you're|we're|i'm|who's|what's|everybody's ) b=( ${BETWEEN} ) going to @lightly* >( <v|x|n|j|d> )`,
    put: '$a.will $b',
    guard: ({ wording, before, words }) =>
      !(wording.end[0] === '?' && /^(?:what's|who's)/.test(words('a'))) &&
      !/\b(?:if|(?:thought|said|knew|told|asked|figured)(?: \w+)?)$/.test(before),
  },
  {
    name: 'going-plain',
    reason: REASON,
    find: `is|are|am a=( ${BETWEEN} ) going to @lightly* >( <v|x|n|j|d> )`,
    put: 'will $a',
    guard: ({ wording, before }) => wording.end[0] !== '?' && Boolean(before) && !/\b(?:what|how|where|which|who|if)$/.test(before),
  },
  { name: 'going-not', reason: REASON, find: `a=( it|that|they|he|she|you|we|i ) isn't|aren't going to >( <v|x|n|d> )`, put: "$a won't" },
  {
    name: 'going-not-short',
    reason: REASON,
    find: `a=( it's|that's|they're|he's|she's|you're|we're|i'm ) not going to >( <v|x|n|d> )`,
    put: "$a.person won't",
  },
];
