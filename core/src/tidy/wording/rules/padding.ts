import type { RulePlace, Rule } from '../rule.ts';

const REASON = 'Adds nothing';
const isDenied = ({ before }: RulePlace) => /(?:\b(?:not|never|no|without|how|hardly)|n't)(?: (?:really|actually|just))?$/.test(before);

/** Words that soften or stress, and carry nothing. */
export const padding: readonly Rule[] = [
  {
    name: 'kind-of',
    reason: REASON,
    find: '( just )? kind|sort of >( <v|d|g|j|z|r|i|x|p> )',
    guard: ({ before }) => !/\b(?:a|an|the|this|that|what|some|any|every|one|these|those|other|same|different|which|your|of)$/.test(before),
  },
  {
    name: 'just',
    reason: REASON,
    find: 'just >( @lightly* <v|d|z|g|i|r> / to|let|a ( little )? bit / <x> )',
    guard: (at) =>
      !isDenied(at) &&
      at.wording.end[0] !== '?' &&
      !/^(?:before|after|above|below|under|over|as|like|enough|right|in case|about|now|by|for|so|one|on|off|behind|inside|outside|short|past|once|then|how|what|why|because|at|with|from|around|of|in time|up to|out of|there|here|beside|beyond|next)\b/.test(
        at.after,
      ) &&
      !/\b(?:i've|we've|you've|he's|she's|they've|it's|had|have|has|only|is|was|are|were)$/.test(at.before),
  },
  {
    name: 'just-after',
    reason: REASON,
    find: "<( i'm|we're|you're|i'll|we'll|you'll|can|will|to|and|then|^ ) just >( going|go|take|leave|put|keep|want|need|have|do|wait|get|make )",
    guard: (at) => !isDenied(at),
  },
  {
    name: 'really',
    reason: REASON,
    find: 'really|actually|basically|literally|essentially|honestly|genuinely|obviously|simply|totally|absolutely|definitely|certainly >( <v|d|z|g|j|r|x|i|p|t|n> )',
    guard: (at) =>
      !isDenied(at) &&
      Boolean(at.before) &&
      !/\b(?:what|who|is it|are you|did you|do you|does it|if|do|does|did|why|where|but)$/.test(at.before) &&
      !/^(?:not|n't|\?)/.test(at.after) &&
      !(/\ban?$/.test(at.before) && !sameArticle(at)),
  },
  {
    name: 'really-end',
    reason: REASON,
    find: ',? ( really|actually|basically|honestly|obviously|anyway|like / to be honest / if you like / you know / as it were / or so to speak / by the way ) $',
    guard: (at) =>
      at.before.split(' ').length > 1 &&
      !isDenied(at) &&
      at.wording.end[0] !== '?' &&
      !/\b(?:is|was|not|you|do|does|did|look|looks|feel|would|they|it|what|it's|that's|he's|she's|what's|they're)$/.test(
        at.before.replace(/ ,$/, ''),
      ),
  },
  {
    name: 'between-words',
    reason: REASON,
    find: "<( <c|i|t|x> / i|we|they|he|she|it's|that's|there's|i'm|you're|we're|they're|he's|she's ) , ( you know / i mean / sort of / kind of / if you like / to be honest / basically|actually|really|honestly|obviously|look|okay|like|see / you see / as i say|said / let's say / mind you / by the way / i suppose / of course ) ,?",
    // "Overlapping by half, like the slates": likened, and no filler.
    guard: ({ before, after, wording, to }) =>
      Boolean(before) &&
      Boolean(after) &&
      !/\bno$/.test(before) &&
      !(wording.all[to - 1]?.n === 'like' && /^(?:the|a|an|this|that|my|your|our|his|her|their|its|in|on|at|when)\b/.test(after)),
  },
  {
    name: 'between-commas',
    reason: REASON,
    find: ", ( you know / i mean / sort of / kind of / if you like / to be honest / basically|actually|really|honestly|obviously|look|right|okay|well|like|see / you see / as i say|said / let's say / mind you / by the way / i suppose / of course ) ,",
    put: ',',
    guard: ({ before, after }) => Boolean(before) && Boolean(after) && !/\bleft$/.test(before),
  },
  {
    name: 'well-after',
    reason: REASON,
    find: '<( and|but|because|so|that ) ,? ( well|you know|i mean ) ,',
    guard: ({ after }) => Boolean(after),
  },
  {
    name: 'tail-vague',
    reason: 'Trails off',
    find: ',? ( ( or|and ( something|anything|things|stuff|whatever|everything ( like that|this )? ) ) / ( or|and ( that|those|this kind|kinds|sort|sorts|type of ( thing|things|stuff ) ) ) / or whatever / and stuff / and all that / or something / and that / and what have you / and so on ( and so forth )? / or what have you ) $',
    guard: ({ before, wording }) =>
      before.split(' ').length > 2 && wording.end !== '?' && !/\b(?:this|that|say|said|something)$/.test(before),
  },
  { name: 'tail-so', reason: 'Trails off', find: ', so|and|but|then $', guard: ({ before }) => before.split(' ').length > 2 },
  {
    name: 'tag',
    reason: 'Asks for a nod',
    find: ", ( right|okay|ok|yeah|alright|see|eh / you know / all right / isn't|doesn't|don't|won't|can't|aren't|wasn't|hasn't|haven't|didn't it|you|they|we|he|she ) $",
    put: '',
    guard: ({ before, wording }) => before.split(' ').length > 2 && /^[?.]/.test(wording.end),
  },
  {
    name: 'very-much',
    reason: REASON,
    find: 'super|pretty >( <j> )',
    guard: (at) => !isDenied(at) && !(/\ban?$/.test(at.before) && !sameArticle(at)),
  },
  {
    name: 'at-this-point',
    reason: REASON,
    find: ',? ( at this point / at this stage / for now / at the end of the day / as well as that ) >( $ )',
    guard: ({ before }) => before.split(' ').length > 3,
  },
];

// "A really old chair" is "an old chair": the article would have to change.
const sameArticle = ({ before, after, wording, from }: RulePlace): boolean => {
  const vowel = (word: string) => /^[aeiou]/.test(word);
  return before.endsWith(' an') || before === 'an' ? vowel(after) : !vowel(after) && wording.all[from] !== undefined;
};
