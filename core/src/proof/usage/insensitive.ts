import { unified } from 'unified';
import retextEnglish from 'retext-english';
import retextEquality from 'retext-equality';
import { VFile } from 'vfile';
import type { Usage } from './usage.ts';

const processor = unified().use(retextEnglish).use(retextEquality).freeze();

// What the list has besides: words of people one tells of, and words that hurt in one sense and not in the usual one (own list).
const INNOCENT = new RegExp(
  `^(?:${[
    'he|she|him|her|his|hers|himself|herself|m[ae]n|wom[ae]n|wi(?:fe|ves)|husband|daughter|son|mother|father|m[ou]m|dad|pop|boy|girl|brother|sister|uncle|aunt|nephew|niece|grand\\w+',
    'lady|ladies|gentlem[ae]n|king|queen|prince|princess|lord|landlord|landlady|host|hostess|waiter|waitress|actor|actress|master|godfather|godmother|bride|groom|widow|widower',
    'hang|hangs|hanging|hung|just|eas(?:y|ily)|simpl[ey]|obviously?|clearly|everyone knows|spade|dumb|lame|blind|deaf|native|primitive|exotic|special|normal|invalid|kill|execute|abort|grandfathered|whitelist|blacklist|sanity check|dummy|minority|illegal|alien|fellow|craftsm[ae]n|workm[ae]n|firem[ae]n|watchm[ae]n|lad|guy(?!s)|granny|grandma|mama|mam|papa|m(?:rs|r|s)\\.?|dwarf|steward|janitor|moan|daft|like a (?:wo)?man',
  ].join('|')})(?:s|['’](?:s|d|ll|ve)?)?$`,
  'i',
);

/** Insensitive words of a text (package retext-equality). */
export function insensitiveIn(text: string): Usage[] {
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
