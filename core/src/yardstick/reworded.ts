import { plainHeading } from '../language/plain-heading.ts';
import { isVerb } from '../tidy/index.ts';

/** Ways to say a heading that asks as one that tells, and the other way about. */
const TURNS: [RegExp, string][] = [
  [/^how often should (?:you|i|we) (.+)\?$/i, 'how often to $1'],
  [/^how (?:do|can|should) (?:you|i|we) (.+)\?$/i, 'how to $1'],
  [/^how to (.+)$/i, 'the way to $1'],
  [/^how often to (.+)$/i, 'how many times to $1'],
  [/^what (?:is|are) (?:an? |the )?(.+)\?$/i, '$1 explained'],
  [/^(?:which|what) (.+?) (?:do (?:you|i|we) need|is right)\?$/i, 'choosing the $1'],
  [/^choosing (.+)$/i, 'how to choose $1'],
  [/^(?:do not|don.t|never) (.+)$/i, 'how not to $1'],
  [/^(.+) or (.+)\?$/i, '$1 against $2'],
  [/^(?:can|could|should|does|do|is|are|will) .+\?$/i, ''],
  [/^(.+)\?$/i, '$1'],
  [/^(?:a|an|the) (.+)$/i, '$1'],
];
// After a verb these stand, and not after a noun of the same letters.
const TAKES = /^(?:the|a|an|your|it|for|on|with|until|them|before|after|no|every|all)$/;

/**
 * A matter as a heading of one's own: the plainest of its headings turned another way; never word for word what stands on a page.
 * @param taken the titles and headings of all pages
 * @param telling the matter's own words, for where no heading can be turned
 */
export function reworded(headings: readonly string[], taken: readonly string[], telling: readonly string[]): string {
  const there = new Set(taken.map(plainHeading));
  for (const heading of headings) {
    const said = heading.trim().replace(/^\d+[.):]\s*/, '');
    const [first = '', second = ''] = said.split(' ');
    const small = !/^\p{Lu}[\p{Lu}\d]/u.test(first) ? said[0]!.toLowerCase() + said.slice(1) : said;
    const turn = TURNS.find(([form]) => form.test(small));
    const turned = turn ? small.replace(...turn) : isVerb(first.toLowerCase()) && TAKES.test(second) ? `how to ${small}` : `about ${small}`;
    if (turned && !there.has(plainHeading(turned))) return capital(turned);
  }
  return capital(`about ${telling.slice(0, 2).join(' and ')}`);
}

const capital = (words: string): string => (words[0] ?? '').toUpperCase() + words.slice(1);
