import type { Rule } from '../rule.ts';

/** Verbs that only carry another one. */
export const lightVerbs: readonly Rule[] = [
  { name: 'gonna', reason: 'Spoken spelling', find: 'gonna', put: 'going to' },
  { name: 'wanna', reason: 'Spoken spelling', find: 'wanna', put: 'want to' },
  {
    name: 'gotta',
    reason: 'Spoken spelling',
    find: "( a=( i've|we've|you've|they've ) / a=( i|we|you|they ) ) gotta",
    put: '$a.person have to',
  },
  { name: 'go-ahead', reason: 'A verb that only carries another one', find: 'go|going|goes ahead and >( @lightly* <v|n|x|j> )' },
  { name: 'went-ahead', reason: 'A verb that only carries another one', find: 'went|gone ahead and >( @lightly* <d|v|n> )' },
  {
    name: 'go-in-and',
    reason: 'A verb that only carries another one',
    find: `<( to|just|can|let's|@willing|will|then|going / ^ ) ( go|come ( back|over|in|on|through|up|down )? ( in|here|there|over )? and / go ) >( @lightly* @deed <t|p|n|e|i|j|m> )`,
    guard: ({ wording, from, to, after }) =>
      wording.all.slice(from, to).some((t) => t.n === 'and') || /^(?:and|get|grab|put|take|find|check)\b/.test(after),
  },
  {
    name: 'able-will',
    reason: 'Shorter said',
    find: `( a=( you|we|they|i ) will / a=( you'll|we'll|they'll|i'll ) ) be able to >( @lightly* <v|n|x> )`,
    put: '$a.can',
  },
  {
    name: 'able-is',
    reason: 'Shorter said',
    find: `( a=( you|we|they ) are / a=( i ) am / a=( you're|we're|they're|i'm ) ) ( now|also )? able to >( <v|n|x> )`,
    put: '$a.can',
  },
  { name: 'in-order', reason: 'Shorter said', find: 'in order to >( <v|n|x|j> )', put: 'to' },
  {
    name: 'have-got',
    reason: 'Spoken form',
    find: `a=( i've|we've|you've|they've ) got >( a|an|the|your|my|our|his|some|this|that|these|those|all|no|one|enough|another|any|both|quite|more _ / <m> / to <v> )`,
    put: '$a.have',
  },
  {
    name: 'has-got',
    reason: 'Spoken form',
    find: `a=( it's|he's|she's ) got >( a|an|the|to|some|no|this|that|its|his|her|two|three|all <n|j|e|v|d|m|g|r|x|p> )`,
    put: '$a.have',
  },
  {
    name: 'have-to-have',
    reason: 'Spoken form',
    find: "a=( you've|you'd ) to >( <v> )",
    put: '$a.person have to',
    guard: ({ words }) => words('a') === "you've",
  },
  { name: 'try-and', reason: 'Spoken form', find: 'a=( try ) and >( <v> )', put: '$a to' },
  { name: 'because', reason: 'Spoken form', find: "cause|'cause|cuz|cos|coz >( @clause|the )", put: 'because' },
  {
    name: 'off-of',
    reason: 'Spoken form',
    find: 'a=( off|inside ) of >( <t|p|n|e> )',
    put: '$a',
    guard: ({ before }) => !/\b(?:the|an|its|their)$/.test(before),
  },
];
