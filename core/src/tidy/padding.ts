import type { Finder } from './finder.ts';
import { FILLER_SOUND } from './fillers.ts';
import type { PADDING } from './house.ts';
import { withoutWords } from './without-words.ts';

type Around = {
  /** Up to three words before, in lower case, the nearest last; and whether a sentence or the text begins here. */
  before: string;
  opens: boolean;
  /** Up to three words after, in lower case; what stands directly before and after the words. */
  after: string;
  left: string;
  right: string;
};

/** For each kind of padding: whether it carries nothing where it stands (own rules; common practice, no source). */
const CARRIES_NOTHING: Record<(typeof PADDING)[number], (around: Around) => boolean> = {
  'you know': ({ before, after, left, right }) => {
    if (/^\s*\?/.test(right)) return false;
    if (bounded(left, right)) return true;
    // "do you know what", "as you know", "if you know him": the verb itself.
    if (KNOWS.test(before)) return false;
    if (KNOWN.test(after)) return false;
    // "You know the way" is told; "and you know the way we did it" is padded.
    return !/^(?:that|it|the|an?)\b/.test(after) || /(?:^| )(?:and|but|so|or|because|just)$/.test(before);
  },
  // "Left, I mean right" takes the left back: only the speaker can say which of them goes.
  'I mean': ({ before, after, left, right }) =>
    !(/,\s*$/.test(left) && /^\s+(?:(?:the|an?|my|your|our|on|to|at|in)\s+)?[\p{L}\p{N}'’-]+(?:[,.;!?]|\s*$)/u.test(right)) &&
    !/(?:^| )(?:what|know|which|that|see|thing|one|ones|you|words?|if)$/.test(before) &&
    !/^(?:that$|nothing|everything|every word|what|by|business|well by|to|this$|it$)/.test(after),
  like: ({ before, after, left, right, opens }) => {
    // "Like I said", "like you saw": as.
    if (
      /^(?:i|we|you|he|she|they) (?:just |already |always )?(?:said|say|says|told|showed|saw|see|explained|mentioned|did|do|know|heard)\b/.test(
        after,
      )
    )
      return false;
    if (/^\s*,/.test(right) && (/,\s*$/.test(left) || opens || IS.test(before))) return true;
    if (COMPARES.test(before))
      return /(?:^| )(?:it's|was|is|are|were|am|be|been|i'm|they're|we're|that's|you're|he's|she's)$/.test(before) && VAGUE.test(after);
    if (/^\s*,/.test(right)) return true;
    if (/,\s*$/.test(left)) return VAGUE.test(after) || /^(?:you|i|we|they|he|she|it's|there's|so|people|everybody|nobody)\b/.test(after);
    if (VAGUE.test(after)) return true;
    if (opens || /(?:^| )(?:and|but|so|or|because|just|then)$/.test(before))
      return (
        /^(?:you|i|we|they|he|she|it|it's|there|there's|when|if|the|a|every|what|why|how|we're|i'm|they're|i've|we've|people|everybody|nobody|somebody)\b/.test(
          after,
        ) &&
        !/^(?:this|that|these|those)\b/.test(after) &&
        !/^(?:a|the) \w+(?: does| would| did)?$/.test(after)
      );
    return false;
  },
  'sort of': ({ before, after }) => !KIND_OF.test(before) && !/^(?:thing|person|people|stuff)\b/.test(after),
  'kind of': ({ before, after }) => !KIND_OF.test(before) && !/^(?:thing|person|people|stuff)\b/.test(after),
  right: ({ before, after, left, right, opens }) => {
    // A question to those who listen is asked.
    if (/^\s*\?/.test(right)) return false;
    if (opens) return /^\s*[,.]/.test(right) || /^(?:so|now|let's|okay|well|then|we|i|i'll|we'll)\b/.test(after);
    return /,\s*$/.test(left) && /^\s*[,.]/.test(right) && !/(?:^| )(?:left|turn|or|and|that's|is|it's)$/.test(before);
  },
  'okay so': () => true,
  basically: ({ before }) => !/(?:^| )(?:not|isn't|wasn't|aren't)$/.test(before),
  actually: ({ before, after, left, right, opens }) => {
    if (bounded(left, right)) return true;
    if (opens) return /^(?:it|i|we|you|they|he|she|there|that|this|the)\b/.test(after);
    return /(?:^| )(?:and|so|it's|that's|there's|i'm|we're|they're|just)$/.test(before);
  },
};

const bounded = (left: string, right: string) => /[,.!?…—–]\s*$|^\s*$/.test(left) && /^\s*(?:[,.!?…—–]|$)/.test(right);

const KNOWS =
  /(?:^| )(?:do|did|does|don't|didn't|if|as|how|what|when|before|until|that|would|should|can|could|to|let|than|once|whether|all|everything|anything|things|people|ones?|the \w+)$/;
const KNOWN =
  /^(?:what|how|who|why|where|when|whether|which|him|her|them|me|us|this|that's|your|my|better|enough|nothing|something|about|of|by|from|each|anyone|anybody|too)\b/;
const IS = /(?:^| )(?:it's|was|is|are|were|am|be|been|i'm|they're|we're|that's|you're|he's|she's)$/;

// What "like" compares or chooses after: there it is the word itself.
const COMPARES =
  /(?:^| )(?:looks?|looked|looking|feels?|felt|feeling|sounds?|sounded|tastes?|tasted|smells?|smelt|seems?|things?|something|anything|nothing|everything|somebody|someone|nobody|people|more|less|much|exactly|just|bit|rather|a lot|i'd|you'd|we'd|they'd|he'd|she'd|would|don't|didn't|doesn't|do|did|does|to|i|you|we|they|he|she|who|really|also|act(?:s|ed)?|works?|worked|behaves?|moves?|runs?|goes|cut|cuts|shaped?|was|is|are|were|am|be|been|it's|i'm|they're|we're|that's|you're|he's|she's|not|what's|what|never|always|quite|nearly|almost|places?|words?|ones?|tools?|days?|way)$/;
// What follows it when it only hedges.
const VAGUE =
  /^(?:really|so|about|around|maybe|literally|super|kind of|sort of|you know|totally|completely|almost|nearly|pretty|i don't know|um|uh|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|fifty|sixty|a hundred|a thousand|half an?|\d+)\b/;
const KIND_OF =
  /(?:^| )(?:an?|the|this|that|these|those|what|some|any|every|each|same|all|one|two|three|which|different|right|wrong|new|old|other|another|certain|first|second|of|its|my|your|his|her|our|their|no|best|worst|only|many|more|usual|whatever|good|special|common|particular|cheap|simple|sturdy)$/;

/** Padding (House style's list) where it carries nothing: "things like saws" stays, "it was like really wet" does not. */
export const padding: Finder = ({ flow, house }) =>
  house.padding.flatMap((words) => {
    const pattern = new RegExp(
      String.raw`(?<![\p{L}\p{N}’'-])${words.replace(' ', String.raw`(?:,?\s+|,\s*)`).replace('okay', '(?:okay|ok|alright)')}(?![\p{L}\p{N}’'-])`,
      'giu',
    );
    return Array.from(flow.text.matchAll(pattern))
      .filter((m) => CARRIES_NOTHING[words](aroundOf(flow.text, m.index, m.index + m[0].length)))
      .map((m) => ({
        kind: 'fillers' as const,
        ...(words === 'I mean' ? withoutAfterthought : withoutWords)(flow.text, m.index, m.index + m[0].length),
        reason: `“${m[0].toLowerCase().replace(/\s+/g, ' ')}” carries nothing here`,
      }));
  });

/** Words between commas before a second thought: "old, I mean, really old" keeps one of the two. */
function withoutAfterthought(text: string, from: number, to: number): ReturnType<typeof withoutWords> {
  const rest = /,\s*$/.test(text.slice(Math.max(0, from - 8), from)) && /^,\s+/.exec(text.slice(to, to + 8));
  return rest ? { from, to: to + rest[0].length, after: '' } : withoutWords(text, from, to);
}

const SOUND = new RegExp(String.raw`(?<![\p{L}’'])${FILLER_SOUND}(?![\p{L}’'])[,\s]*`, 'giu');

function aroundOf(text: string, from: number, to: number): Around {
  const left = text.slice(Math.max(0, from - 60), from);
  const right = text.slice(to, to + 60);
  const clause = left.split(/[.!?…]["'”’)]*\s+|\n\s*\n/).at(-1)!;
  const plain = (words: string) =>
    words
      .toLowerCase()
      .replaceAll('’', "'")
      .replace(SOUND, ' ')
      .replace(/[^\p{L}\p{N}'\s-]/gu, ' ')
      .trim()
      .split(/\s+/)
      .filter(Boolean);
  const before = plain(clause);
  return {
    before: before.slice(-3).join(' '),
    opens: before.length === 0,
    after: plain(right.split(/[.!?…]/)[0]!)
      .slice(0, 3)
      .join(' '),
    left,
    right,
  };
}
