import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { DEEDS, type Token, tokensOf } from '../../tidy/index.ts';
import { deedAt, LIGHT_NOUNS, nounPhrase, type NounPhrase, shown, tail } from './phrases.ts';

/** What the opening of a talk says it is about: the words, their stems, how plainly it is said (about 1 to 4), and in which sentence. */
export type Announced = { text: string; kind: 'deed' | 'doing' | 'thing'; stems: string[]; force: number; sentence: number };

type Anchors = readonly [RegExp, number][];

const SPEAKER = "(?:i'm|i am|we're|we are|you're|she's|he's|they're|i'll be|we'll be)";
const ON =
  '(?: (?:just|all|also|now|first|then|quickly|real quick|only|go ahead and|try and|try to|learn to|learn how to|start to|be|be able to))*';
const WHOM = "(?: (?:you|us|them|me|him|her|everybody|everyone|people|y'all|you all|you guys|both|all|real quick|quickly|today|tonight))*";

// What people say before the deed they are going to show (own list; common practice, no source), the plainest first.
const BEFORE_DEEDS: Anchors = [
  [
    new RegExp(
      `(?:show|showing|see|explain|teach|learn|tell|know|asking|asked|ask|do|about)${WHOM} (?:how|the way)(?: best)?(?: that)? (?:to|i|we|you|they|one|people)(?: can| could| should| would|'d)?$`,
    ),
    2.6,
  ],
  [/^(?:how|the way)(?: best)? to$| (?:how|the way)(?: best)? to$/, 1.8],
  [/(?:^| )(?:today|tonight)(?: ,)? (?:i|we)$/, 1.8],
  [
    new RegExp(
      `(?:^| )(?:${SPEAKER}${ON} (?:going to|gonna|about to|fixing to|fixin to)|(?:i|we|you|she|he)'ll|(?:i|we|you) will|let's|let us)${ON}$`,
    ),
    1.5,
  ],
  [/(?:^| )(?:want|wants|wanted|asked|promised|decided|ready|time|figured i'd|thought i'd)(?: me| us| you)? to$/, 1.2],
];
// The same before what is being done: "this is me putting up the tent".
const BEFORE_DOINGS: Anchors = [[/(?:^| )(?:this is|it's|here's) (?:me|us|you)$/, 2.4]];
// Before what it is about; the first of these may be named by one word.
const BEFORE_SUBJECTS: Anchors = [
  [
    new RegExp(
      `(?:^| )(?:talk|talking|speak|speaking|chat|questions?|video|session|evening|lesson|meeting|programme|something)${WHOM}(?: you)? (?:about|on)$`,
    ),
    2.2,
  ],
  [/(?:^| )(?:today|tonight)(?: ,)? (?:it's|it is|we're doing|we are doing|we're on|we have)$/, 1.8],
  [/(?:^| )(?:we're|we are|i'm|i am) doing$/, 1.6],
  [/(?:^| )(?:to do|how i do|how we do|doing)$/, 1.4],
];
const BEFORE_THINGS: Anchors = [
  [
    new RegExp(
      `(?:^| )(?:show|showing|introduce|introducing|go through|going through|walk through|cover|covering|present|run through)${WHOM}$`,
    ),
    1.7,
  ],
  [new RegExp(`(?:^| )(?:know|tell|telling|learn|say)${WHOM} about$`), 1.6],
  [/(?:^| )(?:look|looking) at$/, 1.4],
  [/(?:^| )(?:it's called|it is called|called|i'm using|using|i use|we use)$/, 1.2],
  [/(?:^| )(?:this is|this here is|it's|do)$/, 0.9],
];
// These say that it is meant for the whole talk.
const WHOLE = /\b(?:today|tonight|this (?:morning|evening|afternoon|video|talk|session|recording|lesson)|video|talk|everyone|everybody)\b/;
// What is done with talk, not with things.
const NO_DEED =
  /^(?:show|talk|tell|explain|say|see|look|ask|start|begin|go|come|get|do|be|have|record|film|hear|listen|stop|keep|wait|try|call|thank|welcome|introduce|walk|take|run|cover|share|know|think|mention|give|let|hold|use|send|put|need|want|watch|answer|leave|turn|read|write|sit|stand|stay|move|select|click|press|point|mind|find)$/;
// "One plant", "5 ways": how many names nothing.
const COUNTED = /^(?:\d.*|one|two|three|four|five|six|seven|eight|nine|ten)$/;
const MOST_WORDS = 9;
const LONGEST_REST = 7;
// "We're not going to get to arms", "somewhere in here", "at the end": what is for another time, or in passing.
const NOT_NOW = /n't\b|\b(?:not|never|if|somewhere|at the end|later|before we|before i)\b/;
const NOT_NOW_BEHIND = /\b(?:at the end|later|some other|another (?:day|time|video)|next (?:week|time))\b/;
// So far back an anchor reaches.
const REACH = 12;

const textOf = (all: readonly Token[]) => all.map((t) => t.n).join(' ');
const forceOf = (anchors: Anchors, before: string) => anchors.find(([pattern]) => pattern.test(before))?.[1] ?? 0;

/** The words of a thing with what hangs on it, and where they end; null when it is left hanging. */
function wordsOf(thing: NounPhrase, all: readonly Token[]): { text: string; to: number } | null {
  const isAnyone = /^(?:a|an|your|their|its|another|all|both|each|every|half)$/.test(thing.determiner);
  const more = tail(all, thing.to, shown({ ...thing, determiner: isAnyone ? 'the' : thing.determiner }));
  return /^(?:of|who|whose|in)$/.test(all[more.to]?.n ?? '') ? null : more;
}

// "The Tolliver County | fall market": what goes on without a mark or a small word was cut in the middle.
function withoutTorn(text: string, all: readonly Token[], at: number): string {
  const last = text.split(' ').at(-1)!;
  const end = all.findIndex((t, i) => i > at && (t.n === last || t.w === last));
  return /[nevdg]/.test(all[end + 1]?.k ?? '')
    ? text.replace(/ (?:for|of|in|on|at|with|from|to|by) (?:(?! (?:for|of|in|on|at|with|from|to|by) ).)*$/, '')
    : text;
}

/** ", and why it falls apart": what else is promised of a thing. */
function restOf(all: readonly Token[], at: number): string {
  const from = all[at]?.k === ',' ? at + 1 : at;
  if (all[from]?.n !== 'and' || !/^(?:why|how|what|where|when)$/.test(all[from + 1]?.n ?? '')) return '';
  const rest = all.slice(from);
  const end = rest.findIndex((t, n) => n > 1 && (t.k === ',' || /^(?:and|because|so|but)$/.test(t.n)));
  const run = end < 0 ? rest : rest.slice(0, end);
  const isOurs = run.some((t) => /^(?:i|me|my|we|us|our|i'm|we're|i've|you're)$/.test(t.n));
  return run.length >= 3 && run.length <= LONGEST_REST && !isOurs ? `, ${textOf(run)}` : '';
}

/** Everything an opening says the talk is about, in the order it is said. */
export function announcedSubjects(opening: readonly string[]): Announced[] {
  const found: Announced[] = [];
  opening.forEach((said, sentence) => {
    const { all } = tokensOf(said.replace(/\b(?:um+|uh+|er+|erm|like|you know|I mean), ?/gi, ''));
    const whole = WHOLE.test(said.toLowerCase()) ? 1.4 : 1;
    for (let at = 1; at < all.length; at++) {
      const before = textOf(all.slice(Math.max(0, at - REACH), at));
      if (NOT_NOW.test(before) || NOT_NOW_BEHIND.test(textOf(all.slice(at, at + REACH)))) continue;
      const { n, k } = all[at]!;
      const add = (kind: Announced['kind'], text: string, force: number) => {
        const stems = terms(text);
        if (stems.length && wordCount(text) <= MOST_WORDS) found.push({ text, kind, stems, force: force * whole, sentence });
      };
      const toDeed = forceOf(BEFORE_DEEDS, before);
      const toDoing = /ing$/.test(n) ? forceOf(BEFORE_DOINGS, before) : 0;
      if (toDoing || (toDeed && (/[vn]/.test(k) || DEEDS.has(n)) && !(NO_DEED.test(n) && toDeed < 2))) {
        const deed = deedAt(all, at, () => null, 2);
        if (deed) add(toDoing ? 'doing' : 'deed', withoutTorn(deed.text, all, at), Math.max(toDoing, toDeed));
      }
      const [toSubject, toThing] = [forceOf(BEFORE_SUBJECTS, before), forceOf(BEFORE_THINGS, before)];
      const thing = toSubject || toThing ? nounPhrase(all, at) : null;
      if (!thing || LIGHT_NOUNS.has(thing.head) || thing.determiner === 'no' || COUNTED.test(thing.words[0]!)) continue;
      // "This is Carl" names who speaks; "it's grand" names nothing.
      if (!toSubject && (thing.isName ? toThing < 1 && all[thing.to]?.k !== ',' : !thing.determiner && thing.words.length < 2)) continue;
      const words = wordsOf(thing, all);
      if (words) add('thing', words.text + restOf(all, words.to), Math.max(toSubject, toThing));
    }
  });
  return found;
}
