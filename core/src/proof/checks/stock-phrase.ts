import { phrasePlaces } from '../../language/phrase-places.ts';
import { type Check, PRACTICE, type Ready } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';

/** What House style and the brief never use. */
const neverUsed = ({ house, details }: Ready): string[] => [...house.never, ...(details.brief?.never ?? [])];

export const stockPhrase: Check = {
  name: 'stock phrase',
  kind: 'language',
  gravity: 'look',
  why: 'What is read everywhere says nothing, and House style or the brief never uses it.',
  source: PRACTICE,
  run: eachStretch(
    (stretch, post) =>
      phrasePlaces(stretch.text, neverUsed(post)).map(({ text, from, to }) => ({
        place: placeIn(stretch, from, to),
        says: `“${text}” is never used here`,
        hint: 'House style or the brief says so. Say it in plain words.',
      })),
    (post) => neverUsed(post).join('\n'),
  ),
};
