import type { Check } from '../check.ts';
import { sharedWords } from '../own-words.ts';
import { placeIn } from '../place.ts';

export const pageWords: Check = {
  name: 'words of another page',
  kind: 'own',
  gravity: 'must',
  why: 'Words taken from somebody else’s page are theirs, and are found by those who look for them.',
  source: 'Broder, “On the resemblance and containment of documents”, 1997',
  run: ({ stretches, pages = [] }) =>
    sharedWords(stretches, pages).map(({ stretch, from, to, words, title }) => ({
      place: placeIn(stretch, from, to),
      says: `${words} words stand word for word in “${title}”`,
      hint: 'Say it in words of your own, or quote it and say who said it.',
    })),
};
