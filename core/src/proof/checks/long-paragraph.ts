import { wordCount } from '../../language/words.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { isProse } from '../stretches.ts';

const LONG_PARAGRAPH = 150;

export const longParagraph: Check = {
  name: 'long paragraph',
  kind: 'reading',
  gravity: 'look',
  why: 'A wall of text is skipped, on a phone most of all.',
  source: PRACTICE,
  run: eachStretch((stretch) => {
    const { block, text } = stretch;
    const count = isProse(stretch) ? wordCount(text) : 0;
    if (count <= LONG_PARAGRAPH) return [];
    return [{ place: { block }, says: `A paragraph of ${count} words`, hint: `Past ${LONG_PARAGRAPH} it is better cut in two.` }];
  }),
};
