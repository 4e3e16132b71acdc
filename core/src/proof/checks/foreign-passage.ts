import type { Check } from '../check.ts';
import { placeIn } from '../place.ts';
import { spellingOf } from '../spelling.ts';

export const foreignPassage: Check = {
  name: 'passage in another language',
  kind: 'everyone',
  gravity: 'look',
  why: 'A screen reader reads it aloud as English, which nobody understands.',
  source: 'WCAG 2.2, 3.1.2',
  run: (post) =>
    spellingOf(post).flatMap(({ stretch, spelt }) =>
      spelt.isForeign
        ? [
            {
              place: placeIn(stretch, 0, stretch.text.length),
              says: 'This seems to be in another language',
              hint: 'Say in English what it means, before or after it.',
            },
          ]
        : [],
    ),
};
