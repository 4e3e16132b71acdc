import { MOST_WITHOUT_REST, stretchesWithoutRest } from '../../dress/index.ts';
import { type Check, PRACTICE } from '../check.ts';

export const nothingToRest: Check = {
  name: 'nothing to rest the eye',
  kind: 'reading',
  gravity: 'look',
  why: 'A picture, a list or a pull quote gives readers a place to stop at and go on from.',
  source: PRACTICE,
  run: ({ doc }) =>
    stretchesWithoutRest(doc, MOST_WITHOUT_REST).map(({ words, section, middle }) => ({
      place: { block: middle },
      says: `${words} words with nothing to rest the eye`,
      hint: `${section ? `Under “${section}”. ` : ''}A picture, a clip, a list or a pull quote would break it up.`,
    })),
};
