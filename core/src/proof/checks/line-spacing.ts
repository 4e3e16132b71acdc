import { COMFORTABLE } from '../../theme/index.ts';
import type { Check } from '../check.ts';

export const lineSpacing: Check = {
  name: 'line spacing',
  kind: 'comfort',
  gravity: 'look',
  why: 'Lines too close to each other make the eye lose the next one.',
  source: 'WCAG 2.2, 1.4.8 and 1.4.12',
  run: ({ comfort }) =>
    comfort && comfort.spacing < COMFORTABLE.spacing - 0.005
      ? [
          {
            place: null,
            says: `Lines stand ${comfort.spacing.toFixed(2)} apart on ${comfort.outlet}`,
            hint: `${COMFORTABLE.spacing} is comfortable: it is set in the theme of the outlet.`,
          },
        ]
      : [],
};
