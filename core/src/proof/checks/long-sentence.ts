import { sentences } from '../../language/sentences.ts';
import { wordCount } from '../../language/words.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';

/** The most words a sentence has before it is worth a look. */
const LONG_SENTENCE = 40;

export const longSentence: Check = {
  name: 'long sentence',
  kind: 'reading',
  gravity: 'look',
  why: 'What cannot be read in one go is read twice, or not at all.',
  source: PRACTICE,
  run: eachStretch((stretch) =>
    sentences(stretch.text).flatMap((s) => {
      const count = wordCount(s.text);
      if (count <= LONG_SENTENCE) return [];
      const first = s.text.split(/\s+/).slice(0, 9).join(' ');
      return [
        {
          place: placeIn(stretch, s.from, s.to),
          says: `A sentence of ${count} words`,
          hint: `“${first}…” Up to ${LONG_SENTENCE} words can be read in one go.`,
        },
      ];
    }),
  ),
};
