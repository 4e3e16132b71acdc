import type { Check } from '../check.ts';
import { placeOfBlock } from '../place.ts';

export const widerThanScreen: Check = {
  name: 'wider than the screen',
  kind: 'comfort',
  gravity: 'look',
  why: 'What sticks out of a screen makes the whole page slide sideways under the thumb.',
  source: 'WCAG 2.2, 1.4.10',
  run: ({ doc, comfort }) =>
    (comfort?.wide ?? []).map(({ block, words, screen }) => ({
      place: placeOfBlock(doc, block),
      says: words ? `“${words}” is wider than a screen of ${screen} px` : `A block is wider than a screen of ${screen} px`,
      hint: `On ${comfort!.outlet}: a table of fewer columns, a word with a break, or a theme that lets it slide by itself.`,
    })),
};
