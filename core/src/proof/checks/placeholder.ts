import { type Check, type Found, PRACTICE, type Ready } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

const PLACEHOLDER =
  /\blorem ipsum\b|\b(?:TODO|TBD|TBC|FIXME|X{3,20})\b|\[(?:[^\]]*\b(?:name|date|link|number|insert|add|here|placeholder|tbc|picture)\b[^\]]*)\]|<(?:insert|add|name|date)\b[^>]*>|\bplaceholder text\b|\?{3,}|_{4,}/giu;

const saying = (words: string): Omit<Found, 'place'> => ({
  says: `“${words}” is still there`,
  hint: 'Write what belongs there, or take it out.',
});
const onPage = eachMatch(PLACEHOLDER, ({ 0: words }) => saying(words));

const DETAILS = ['title', 'standfirst', 'description', 'summary'] as const;
const inDetails = ({ details }: Ready): Found[] =>
  DETAILS.flatMap((detail) =>
    Array.from(details[detail]?.matchAll(PLACEHOLDER) ?? [], ({ 0: words }) => ({ place: { detail }, ...saying(words) })),
  );

export const placeholder: Check = {
  name: 'placeholder',
  kind: 'whole',
  gravity: 'must',
  why: 'Words that stood there for others to come are the first thing readers laugh about.',
  source: PRACTICE,
  run: (post) => [...inDetails(post), ...onPage(post)],
};
