import type { Check } from '../check.ts';
import { sharedWords } from '../own-words.ts';
import { placeIn } from '../place.ts';

export const postWords: Check = {
  name: 'words of another piece',
  kind: 'own',
  gravity: 'look',
  why: 'What stands twice in the house is read once, and competes with itself.',
  source: 'Broder, “On the resemblance and containment of documents”, 1997',
  run: ({ stretches, pieces = [] }) =>
    sharedWords(stretches, pieces).map(({ stretch, from, to, words, title }) => ({
      place: placeIn(stretch, from, to),
      says: `${words} words stand in “${title}” too`,
      hint: 'Say it anew here, or link the other piece.',
    })),
};
