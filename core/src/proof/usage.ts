import { unified } from 'unified';
import retextEnglish from 'retext-english';
import retextEquality from 'retext-equality';
import { VFile } from 'vfile';

/** What is looked for in how things are said. */
export type UsageRule = 'grammar' | 'passive' | 'hedge' | 'insensitive';

/** One thing found: where in the text, what is wrong in a few words, and what could stand there; none where that depends. */
export type Usage = { rule: UsageRule; from: number; to: number; says: string; instead: string[] };

const processor = unified().use(retextEnglish).use(retextEquality).freeze();

// What the list has besides: words of people one tells of, and words that hurt in one sense and not in the usual one (own list).
const INNOCENT = new RegExp(
  `^(?:${[
    'he|she|him|her|his|hers|himself|herself|m[ae]n|wom[ae]n|wi(?:fe|ves)|husband|daughter|son|mother|father|m[ou]m|dad|pop|boy|girl|brother|sister|uncle|aunt|nephew|niece|grand\\w+',
    'lady|ladies|gentlem[ae]n|king|queen|prince|princess|lord|landlord|landlady|host|hostess|waiter|waitress|actor|actress|master|godfather|godmother|bride|groom|widow|widower',
    'hang|hangs|hanging|hung|just|eas(?:y|ily)|simpl[ey]|obviously?|clearly|everyone knows|spade|dumb|lame|blind|deaf|native|primitive|exotic|special|normal|invalid|kill|execute|abort|grandfathered|whitelist|blacklist|sanity check|dummy|minority|illegal|alien|fellow|craftsm[ae]n|workm[ae]n|firem[ae]n',
  ].join('|')})(?:s|['’]s?)?$`,
  'i',
);

/** Insensitive words of a text (package retext-equality). */
function insensitiveIn(text: string): Usage[] {
  const file = new VFile(text);
  processor.runSync(processor.parse(file) as never, file);
  return file.messages.flatMap(({ place, reason, expected }): Usage[] => {
    if (!place || !('start' in place) || place.start.offset === undefined || place.end.offset === undefined) return [];
    const [from, to] = [place.start.offset, place.end.offset];
    return INNOCENT.test(text.slice(from, to))
      ? []
      : [{ rule: 'insensitive', from, to, says: reason, instead: (expected ?? []).slice(0, 3) }];
  });
}

// Words that take back what they stand beside (own list; common practice, no source). Those that also say how much or how often are none.
const HEDGES =
  /\b(?:actually|basically|essentially|arguably|somewhat|seemingly|supposedly|presumably|virtually|practically speaking|so to speak|as it were|more or less|kind of|sort of|to some extent|in a way|in some ways|it (?:could|might) be (?:said|argued) that|it seems (?:to me )?that|i (?:would|'d|’d) (?:say|argue) that|i (?:think|guess|suppose) that|in my (?:humble )?opinion|needless to say)\b/gi;

// Participles that do not end in -ed (own list), and words that look like participles and tell how something is.
const IRREGULAR =
  'done made taken given seen found kept left told said sent sold held cut put set built bought brought caught chosen drawn driven eaten felt fed forgotten frozen ground hung heard hidden hit hurt known laid led lent lit lost meant paid read ridden run shaken shown shut sewn stolen struck stuck swept taught thrown torn understood wound woven worn written bent bound broken burnt';
const STATES =
  /^(?:tired|used|supposed|interested|excited|pleased|worried|scared|bored|married|retired|related|limited|needed|allowed|closed|finished|done|gone|open|crowded|aged|detailed|experienced|qualified|skilled|committed|dedicated|determined|prepared|concerned|surprised|satisfied|ashamed|naked|wicked|sacred|hundred|speed|shed|bed|red|indeed|seed|need|weed|feed|left|lost|set|shut|hurt|worn|known|stuck|broken|bent|lit|hidden|frozen|torn|red)$/i;
const PASSIVE = new RegExp(
  `\\b(?:is|are|was|were|been|being|be|am)\\s+(?:(?:not|never|always|often|usually|\\w+ly)\\s+)?(\\w{2,}ed|${IRREGULAR.split(' ').join('|')})\\b`,
  'gi',
);

/** Where a text does not say who did it. */
export function passivesIn(text: string): Usage[] {
  return Array.from(text.matchAll(PASSIVE)).flatMap((m): Usage[] =>
    STATES.test(m[1]!) ? [] : [{ rule: 'passive', from: m.index, to: m.index + m[0].length, says: '', instead: [] }],
  );
}

const hedgesIn = (text: string): Usage[] =>
  Array.from(text.matchAll(HEDGES), (m): Usage => ({ rule: 'hedge', from: m.index, to: m.index + m[0].length, says: '', instead: [] }));

/** Passive voice, hedges and insensitive words of a text. */
export const usageOf = (text: string): Usage[] => [...passivesIn(text), ...hedgesIn(text), ...insensitiveIn(text)];
