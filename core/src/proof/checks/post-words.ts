import type { Check, Found } from '../check.ts';
import { sharedWords } from '../own-words.ts';
import { placeIn } from '../place.ts';

// From so many places on, one piece was made of the other, and that is said once.
const MANY = 6;

export const postWords: Check = {
  name: 'words of another piece',
  kind: 'own',
  gravity: 'look',
  why: 'What stands twice in the house is read once, and competes with itself.',
  source: 'Broder, “On the resemblance and containment of documents”, 1997',
  run({ stretches, pieces = [] }) {
    const shared = sharedWords(stretches, pieces);
    return [...new Set(shared.map(({ title }) => title))].flatMap((title): Found[] => {
      const places = shared.filter((run) => run.title === title);
      const found = places.map(({ stretch, from, to, words }) => ({
        place: placeIn(stretch, from, to),
        says: `${words} words stand in “${title}” too`,
        hint: 'Say it anew here, or link the other piece.',
      }));
      if (places.length < MANY) return found;
      const words = places.reduce((sum, run) => sum + run.words, 0).toLocaleString('en');
      return [{ ...found[0]!, says: `${words} words in ${places.length} places stand in “${title}” too` }];
    });
  },
};
