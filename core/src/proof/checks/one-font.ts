import { type Check, PRACTICE } from '../check.ts';

export const oneFont: Check = {
  name: 'one font for the text',
  kind: 'comfort',
  gravity: 'look',
  why: 'A body of one font all through looks as if somebody had cared.',
  source: PRACTICE,
  run: ({ comfort }) =>
    comfort && comfort.fonts.length > 1
      ? [
          {
            place: null,
            says: `The text is in ${comfort.fonts.length} fonts on ${comfort.outlet}: ${comfort.fonts.join(', ')}`,
            hint: 'Paragraphs, lists, quotations and tables read best in one: it is set in the theme of the outlet.',
          },
        ]
      : [],
};
