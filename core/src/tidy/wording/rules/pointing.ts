import type { RulePlace, Rule } from '../rule.ts';

const REASON = 'Points at what a reader cannot see';
const PLACES = '( right|just|over|up|down|back|out|in ( up|down|over|in|out|back )? here|there / here )';

// After these, "here" and "there" say where something is, and stay.
const WANTS_PLACE =
  /(?:^|\b)(?:is|are|am|was|were|be|been|being|i'm|it's|we're|you're|that's|they're|he's|she's|there's|who's|what's|isn't|aren't|wasn't|go|goes|going|went|come|comes|coming|came|stay|stays|sit|sits|stand|stands|live|lives|put|puts|get|got|gets|from|near|to|of|than|not|still|already|only|all|around|round|across|along|way|one|walk|walks|walked|walking|bring|brings|run|step|reach|climb|standing|stood|sat|sitting|through|for|at|with|as|like|look|arrive|arrived|lie|lies|hang|hangs|stop|start|begin|turn|end|ends|belong|work|works|worked|up|been)$/;

const isLoose = ({ before: all, after, wording, from, to }: RulePlace): boolean => {
  const before = all.replace(/(?: ,| like)+$/, '');
  const last = wording.all[from - 1];
  const here = wording.all
    .slice(from, to)
    .map((t) => t.n)
    .filter((n) => n !== ',')
    .join(' ');
  // "Round the back here": a thing, not a way.
  // "Heaps it up in here": the way belongs to the deed.
  if (/^(?:up|down|back|out|over|in) /.test(here) && /^(?:it|them|him|her|you|this|that|everything)$/.test(last?.n ?? '')) return false;
  if (before.split(' ').length < 2 || WANTS_PLACE.test(before) || (last?.k === 't' && (!after || !/^(?:this|that)$/.test(last.n))))
    return false;
  if (
    here === 'here' &&
    // "Bigger here, smaller there"
    (wording.all.filter((t) => t.n === 'here').length > 1 ||
      /\bthere\b/.test(after) ||
      /\b(?:keep|kept|hold|leave|left|put|set)(?: \w+)?$/.test(before) ||
      /[vdzg]/.test(last?.k ?? '') ||
      /\b(?:over|up|down|in|out|back|right|just)$/.test(before))
  )
    return false;
  if (/\b(?:in|out|back) there$/.test(here)) return false;
  if (/\bin here$/.test(here) && /\b(?:put|place|drop|set|post|pour|come|step)\w*(?: \w+){0,3}$/.test(before)) return false;
  if (/^(?:up|down|over) there$/.test(here) && /\b(?:put|place|live|went|go|come|sit|stand|work|get)\w*\b/.test(before)) return false;
  if (here === 'there' || here === 'just there' || /^out/.test(here)) return false;
  return !/^(?:is|are|was|to)\b/.test(after) || / /.test(here);
};

/** "This little arrow right here": a page has no finger. */
export const pointing: readonly Rule[] = [
  {
    name: 'as-you-see',
    reason: REASON,
    find: `,? ( and )? as ( you|we|i ( can|could|will|may|might|should|now|all|already )* see|notice|tell|saw|seen|noticed / you'll|we'll see|notice / you've|we've seen|noticed ) ( ( right|over|up|down|in )? here / on ( the|this|my )? screen|board|slide|picture / before|there >( , / $ ) )? ,?`,
    put: ',',
    // "As you can see from the list" says where to look.
    guard: ({ after, wording, to }) =>
      wording.all[to - 1]?.n === ',' || !/^(?:from|at|by|with|to|under|below|how|what|it|them|him|her|in|the|a|this)\b/.test(after),
  },
  {
    name: 'you-see-that',
    reason: REASON,
    find: `<( ^ / and|but|so|because|then|, ) ( you|we ( can|will|could|should|might|may )? / you'll|we'll / you're|we're going to / and you ) ( now|also|probably|actually|then|clearly|already|just )* ( see|notice ) ( ${PLACES} / straight away / right away )* ( that )? >( i|we|you|he|she|they|there|if|when|once _ / it's|that's|there's|they're|he's|she's|you're|we're|they've|you've|i've|we've|i'm / it|this|that|these|those|everything|nobody|somebody|everybody <x|z|d|r> / the|this|these|your|our|my|a|an|its|his|her|every|some|all ( <j|n|e|d|m|g> ){1,4} ( is|are|has|have|was|were|isn't|aren't|will|can|goes|comes|sits|gets|says|looks|starts|turns / <z> ) / <e>{1,3} is|has|was|will )`,
    guard: ({ before, after }) =>
      !/^(?:it|them|this|that|these|those)(?: [,.]|$| (?:in|on|at|from|all|again|right|here|there|now|best|every|when)\b)/.test(after) &&
      !/\b(?:if|when|once|where|until|so that|whether|that)(?: \w+)?$/.test(before),
  },
  {
    name: 'this-here',
    reason: REASON,
    find: `a=( this|that|these|those ) b=( ( little|small|big|tiny )? ( <n|e|j|v|d|g> ){1,3} ) ${PLACES} !>( is|are )`,
    put: 'the $b',
    guard: ({ words, before }) =>
      !/\b(?:way|one|ones|time|day|week|year|point|stage)$/.test(words('b').trim()) &&
      // "There's this little sheep": any sheep.
      !/\b(?:there's|there (?:is|are|was|were))$/.test(before),
  },
  { name: 'one-here', reason: REASON, find: `a=( this|that one ) ( right|over|just|up|down|in )? here|there`, put: '$a' },
  // Before the place itself: what parted them parts the sentence still, or nothing does.
  { name: 'here-place', reason: REASON, find: `a=( , )? ${PLACES} >( @place )`, put: '$a', guard: isLoose },
  {
    name: 'here-apart',
    reason: REASON,
    find: `${PLACES} , >( @place )`,
    guard: (at) => at.wording.all[at.from - 1]?.n !== ',' && isLoose(at),
  },
  {
    name: 'here-end',
    reason: REASON,
    find: `,? ${PLACES} >( $ / , / and|so|because|but|which|where|when|if|that )`,
    guard: isLoose,
  },
  {
    name: 'here-first',
    reason: REASON,
    find: `^ ( right|over|up|down|in|back|out )? here ,? !>( we|you go|are ) >( you|we|i|you'll|we'll|you've|we've|i've|you're|we're <x|v|d|g|n|r> )`,
  },
  {
    name: 'there-first',
    reason: REASON,
    find: `^ ( right|over|up|down|back|out )? there ,? >( you|we|i|it's|the <x|v|d|g|n> )`,
    guard: ({ wording }) => wording.all[0]?.n !== 'there',
  },
  {
    name: 'like-this',
    reason: REASON,
    find: ',? ( just|something|quite / a bit / sort of )? like this|that|so ( here|there )? >( $ / , / and|so|until|till|then )',
    guard: ({ before, wording, from, to }) =>
      Boolean(before) &&
      !/\b(?:something|anything|things?|stuff|people|somebody|look|looks|looked|looking|sound|sounds|feel|feels|to|would|will|i|you|we|they|don't|is|are|was|be|been|one|ones|it's|that's|they're|we're|you're|he's|she's|i'm|go|goes|going|went|called|named|not|more|much|done|work|works|nothing|much|talk|stay|stays|keep|kept|leave|left|shaped?|made|person|days?|places?)$/.test(
        before,
      ) &&
      !wording.all.slice(from, to).some((t) => t.n === 'something'),
  },
  {
    name: 'see-that',
    reason: REASON,
    find: ',? ( you )? ( see|look ( at )? ) ( that|this|here|there )? >( $ / , )',
    guard: ({ before, wording, from, to }) =>
      before.split(' ').length > 2 &&
      (wording.all[from]?.n === ',' || wording.all[to - 1]?.n === ',') &&
      !/\b(?:to|can|could|can't|you|will|'ll|i|we|they|n't|never|cannot|not|a|the)$/.test(before.replace(/ ,$/, '')) &&
      wording.all[from]?.n === ',',
  },
  {
    name: 'little',
    reason: 'Says nothing about the thing',
    find: '<( this|the|that|a|your ) little >( <n|g|v|d> )',
    guard: ({ after, wording }) =>
      wording.telling.person === 'you' &&
      !/^(?:bit|while|more|less|finger|toe|one|girl|boy|child|by)\b/.test(after) &&
      /\b(?:arrow|button|icon|box|menu|tab|link|cross|plus|gear|square|window|circle|triangle|sign|symbol|dot|bar|wheel|lever|switch|knob)\b/.test(
        after.split(' ').slice(0, 3).join(' '),
      ),
  },
  { name: 'on-screen', reason: REASON, find: `,? on ( the|my|your )? screen ${PLACES}`, put: '' },
];
