import { COMFORTABLE } from '../../theme/index.ts';
import { type Check, PRACTICE } from '../check.ts';

export const textSize: Check = {
  name: 'text size',
  kind: 'comfort',
  gravity: 'look',
  why: 'Small letters are read by few to the end, and on a telephone by nobody.',
  source: PRACTICE,
  run: ({ comfort }) =>
    comfort && comfort.size < COMFORTABLE.size - 0.05
      ? [
          {
            place: null,
            says: `Text is ${Number(comfort.size.toFixed(1))} px high on ${comfort.outlet}`,
            hint: `${COMFORTABLE.size} px is the least for running text: it is set in the theme of the outlet.`,
          },
        ]
      : [],
};
