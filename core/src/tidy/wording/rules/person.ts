import { isDeedAfterTo } from '../kinds.ts';
import type { RulePlace, Rule } from '../rule.ts';

const REASON = 'Told as an instruction';
// What comes later, or is done for somebody, is no deed of the reader.
const LATER =
  /\b(?:later|next (?:video|one|episode|time|week|month|year)|another video|separate video|tomorrow|in a (?:sec|second|minute|moment|bit)|someday|eventually|channel|be back|for you|with you|to you|everybody|everyone|somebody)\b/;
// What the speaker did or thinks stays with the speaker.
const TOLD =
  /\b(?:i|we)(?: just| already| also)* (?:was|were|had|did|said|asked|made|used|wrote|thought|talked|mentioned|got|\w+ed)\b|\bi've\b|\bmyself\b|\bof (?:mine|ours)\b|\bi (?:think|guess|mean|hope|love|like|do|don't|can't|won't)\b/;
const NO_DEED =
  /^\w+ (?:you|your|about|this video|a video|it to you)\b|^do (?:one|a couple|a few|another|a quick|a little|something|some|that|this|it)\b|^go (?:through|over)\b|^talk\b|^\w+$/;

const isTurned = ({ after, wording }: RulePlace): boolean => {
  const { person } = wording.telling;
  const verb = after.split(' ').find((w) => !/^(?:just|now|also|then|actually|quickly|simply|really)$/.test(w)) ?? '';
  const rest = after.slice(after.indexOf(verb));
  return (
    person !== 'as-said' &&
    wording.end[0] !== '?' &&
    isDeedAfterTo(verb) &&
    !LATER.test(after) &&
    !TOLD.test(after) &&
    !(NO_DEED.test(rest) && !/^(?:save|publish|submit|wait|repeat|stop|send|close)$/.test(rest))
  );
};

// Only the main clause is turned: behind nothing, words of order, or a clause that a comma closes.
const isMain = ({ before }: RulePlace): boolean => {
  const b = before.replace(/(?:^| )(?:then|next|first|last|lastly|finally|also|and|now|but|so|instead|again)(?: ,)?$/, '').trim();
  if (!b) return true;
  if (/\b(?:today|video|tutorial|recording|lesson|episode)\b/.test(b)) return false;
  if (!/,$/.test(b)) return false;
  const clause = b.replace(/ ?,$/, '').split(' , ').at(-1)!;
  return (
    /^(?:(?:and|but|then|so|now) )?(?:if|when|once|after|before|since|as|to|while|until|because|now that|with|for|on|in|at|every time|each time|whenever|from)\b/.test(
      clause,
    ) || /^(?:first|next|then|last)$/.test(clause)
  );
};

const START = '<( ^ / ^ then|next|first|last|lastly|finally|also|now|but|instead ,? / , ( and|then|so|but|now )? )';
// "You want to sand it, you get a mask" says if.
const isCondition = ({ after }: RulePlace) => /^[^,]{1,30}, (?:you|then you)\b/.test(after);
const turned = (at: RulePlace) => isTurned(at) && isMain(at);
// A deed of the listener is turned whoever tells; the speaker's own only where the reader is told.
const mayTurn = (at: RulePlace, who = at.words('a')): boolean => /^you/.test(who) || at.wording.telling.person !== 'i';
// Where "you" tells how things are in general, a deed is one only when the word can be nothing else.
const isKnownDeed = (at: RulePlace): boolean =>
  turned(at) &&
  !/^(?:find|work|lose|rest|record|mean|mind|need|look like|look at it|notice|remember|note|saw|water|place|name|hear|feel|smell|stand|sit|wait for|pay|live|hook|wear|wonder|tell|use to|decide|count as|miss|grab|save money|buy|record|left|cut through|sell|ask)\b/.test(
    at.after,
  );

/** Deeds of the speaker, told to the reader; who is told is one choice for a whole talk. */
export const persons: readonly Rule[] = [
  {
    name: 'deed-going',
    reason: REASON,
    find: `${START} a=( @being ) @lightly* ( about|going to ) @lightly* ( want|need|have to )? @lightly* >( _ )`,
    put: '$a.teller',
    instructs: true,
    guard: (at) => turned(at) && mayTurn(at),
  },
  {
    name: 'deed-want',
    reason: REASON,
    find: `${START} ( a=( @subject ) ( will|do|may|might )* @lightly* ( want|need|have to ) / a=( @willing ) @lightly* ( want|need|have to ) / a=( i'll|we'll ) @lightly* / a=( i'd|we'd ) like to / a=( i|we ) will @lightly* ) @lightly* >( _ )`,
    put: '$a.teller',
    instructs: true,
    guard: (at) => turned(at) && mayTurn(at) && !isCondition(at),
  },
  {
    name: 'deed-lets',
    reason: REASON,
    find: `${START} ( a=( let's ) / a=( let ) us|me ) @lightly* >( _ )`,
    put: '$a.teller',
    instructs: true,
    guard: (at) =>
      at.wording.telling.isHowTo &&
      turned(at) &&
      mayTurn(at) &&
      !/^(?:say|look|move|start|begin|talk|jump|pretend|imagine|turn to|take (?:a|another) (?:\w+ )?look|continue|recap|call|put it|add ,|face|be|check|try|wait)\b/.test(
        at.after,
      ),
  },
  {
    name: 'deed-plain',
    reason: REASON,
    find: `${START} a=( @subject ) @lightly* >( @deed <t|p|e|i|m|n|j|r|g|d> / @deed $ / get hold|your / get the|a|an ( <n|j|m> ){1,3} out|in|off|up|down|on|back )`,
    put: '$a.teller',
    instructs: true,
    guard: (at) => isKnownDeed(at) && mayTurn(at) && at.wording.telling.isHowTo,
  },
  {
    name: 'deed-wanted',
    reason: REASON,
    find: `${START} ( i|we ( want|need / would like ) you to / i'd like you to / you're to ) @lightly* >( _ )`,
    instructs: true,
    guard: turned,
  },
  {
    name: 'deed-never',
    reason: REASON,
    find: `${START} b=( @subject ) a=( don't|never ) ( want to )? >( @lightly* @deed )`,
    put: '$a',
    instructs: true,
    guard: (at) => at.wording.telling.isHowTo && mayTurn(at, at.words('b')) && isKnownDeed(at),
  },
  {
    name: 'deed-follow',
    reason: REASON,
    find: `a=( and|then|, ) b=( @being|@willing|@subject ) @lightly* ( going to / want|need|have to )? @lightly* >( @deed )`,
    put: '$a',
    guard: (at) =>
      at.wording.isInstruction &&
      isTurned(at) &&
      mayTurn(at, at.words('b')) &&
      !/\b(?:if|when|where|which|what|how|because|so that|until|that)\b[^,]*$/.test(at.before) &&
      (at.words('a') !== ',' || !/\b(?:if|when|once|after|before|until|while|as)\b[^,]*$/.test(at.before)),
  },
  {
    name: 'deed-own',
    reason: REASON,
    find: "( a=( my|our|mine ) / <( if|when|until|once|where|what|how|as|before|after|while|so ) a=( i|we|i'm|we're|i've|we've ) )",
    put: '$a.toYou',
    guard: (at) =>
      at.wording.isInstruction &&
      at.wording.telling.person === 'you' &&
      !/\b(?:i|we|i'm|i've|we've)\b/.test(at.before) &&
      at.wording.all[at.to]?.k !== 'e' &&
      !/^(?:mother|father|mum|mam|dad|gran|granny|nan|grandmother|grandfather|wife|husband|brother|sister|son|daughter|boss|uncle|aunt|cousin|nephew|niece|family|kids|children|neighbour|friend)/.test(
        at.after,
      ),
  },
];
