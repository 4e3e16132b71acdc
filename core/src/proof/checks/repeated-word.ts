import { SAID_TWICE } from '../../language/said-twice.ts';
import { normal } from '../../language/terms.ts';
import { words } from '../../language/words.ts';
import { type Check, type Found, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';

// In writing these stand twice on purpose as well: round and round without its “and”, what it is is.
const MEANT = new Set([...SAID_TWICE, 'round', 'again', 'is']);

export const repeatedWord: Check = {
  name: 'repeated word',
  kind: 'language',
  gravity: 'must',
  why: 'A word that stands twice is a slip everybody sees.',
  source: PRACTICE,
  run: eachStretch((stretch) => {
    const all = words(stretch.text);
    return all.flatMap((word, i): Found[] => {
      const next = all[i + 1];
      if (!next || normal(word.text) !== normal(next.text) || MEANT.has(normal(word.text)) || /\d/.test(word.text)) return [];
      // Names such as Walla Walla have two capitals.
      if (!/^\s+$/.test(stretch.text.slice(word.to, next.from)) || /^\p{Lu}/u.test(next.text)) return [];
      return [
        {
          place: placeIn(stretch, word.from, next.to),
          says: `“${word.text} ${next.text}”`,
          hint: 'The word stands twice.',
          fix: { label: 'Keep one', text: word.text },
        },
      ];
    });
  }),
};
