import { picturesOf } from '../../post/pictures.ts';
import type { Check } from '../check.ts';

export const pictureText: Check = {
  name: 'alternative text',
  kind: 'pictures',
  gravity: 'must',
  why: 'Readers who cannot see a picture hear what it says of itself.',
  source: 'WCAG 2.2, 1.1.1',
  run: ({ doc }) =>
    picturesOf(doc)
      .filter((picture) => !picture.alt.trim() && !picture.isDecorative)
      .map(({ id }) => ({
        place: { block: id },
        says: 'A picture has no alternative text',
        hint: 'Say what is seen on it, for readers who cannot see it.',
        fix: { label: 'It only adorns', attrs: { isDecorative: true } },
      })),
};
