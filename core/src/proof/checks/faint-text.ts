import type { Check } from '../check.ts';
import { placeOfBlock } from '../place.ts';

export const faintText: Check = {
  name: 'faint words',
  kind: 'everyone',
  gravity: 'look',
  why: 'Words too close in colour to their ground are lost on whoever sees less well, and on everybody in the sun.',
  source: 'WCAG 2.2, 1.4.3',
  run: ({ doc, comfort }) =>
    (comfort?.faint ?? []).map(({ block, words, contrast, needed }) => ({
      place: placeOfBlock(doc, block),
      says: `“${words}” stands out too little, ${contrast.toFixed(2)} to 1`,
      hint: `On ${comfort!.outlet} it needs ${needed} to 1: the colour is set in its theme.`,
    })),
};
