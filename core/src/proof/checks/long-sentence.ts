import { sentences } from '../../language/sentences.ts';
import { wordCount } from '../../language/words.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';
import { longestSentence } from '../what-counts.ts';

export const longSentence: Check = {
  name: 'long sentence',
  kind: 'reading',
  gravity: 'look',
  why: 'What cannot be read in one go is read twice, or not at all.',
  source: PRACTICE,
  run: eachStretch(
    (stretch, { details }) => {
      const most = longestSentence(details.brief ?? {});
      return sentences(stretch.text).flatMap((s) => {
        const count = wordCount(s.text);
        if (count <= most) return [];
        const first = s.text
          .split(/\s+/)
          .slice(0, 9)
          .join(' ')
          .replace(/[,;:–—]$/, '');
        return [
          {
            place: placeIn(stretch, s.from, s.to),
            says: `A sentence of ${count} words`,
            hint: `“${first}…” Up to ${most} words can be read in one go.`,
          },
        ];
      });
    },
    ({ details }) => String(longestSentence(details.brief ?? {})),
  ),
};
