import { COMFORTABLE, neededContrast } from '../../theme/index.ts';
import type { Check } from '../check.ts';

export const paleText: Check = {
  name: 'pale text',
  kind: 'comfort',
  gravity: 'look',
  why: 'Running text in a faint grey tires everybody: close to black on white reads best.',
  source: 'WCAG 2.2, 1.4.6',
  run: ({ comfort }) =>
    // What stands out less than it must is told where it stands, as faint words.
    comfort && comfort.contrast < COMFORTABLE.contrast && comfort.contrast >= neededContrast(comfort.size, 400)
      ? [
          {
            place: null,
            says: `Text stands out ${comfort.contrast.toFixed(1)} to 1 on ${comfort.outlet}`,
            hint: `${COMFORTABLE.contrast} to 1 is comfortable, near black better: it is set in the theme of the outlet.`,
          },
        ]
      : [],
};
