import { type Check, PRACTICE } from '../check.ts';
import { unsaid } from '../unsaid.ts';

export const unsaidFigure: Check = {
  name: 'figure nobody said',
  kind: 'truth',
  gravity: 'must',
  why: 'A wrong number, date or amount is what readers act on, and what they remember.',
  source: PRACTICE,
  run: (post) =>
    unsaid(post, 'figure', (doubt, hint) => ({
      says: doubt.elsewhere === null ? `“${doubt.says}”: nobody said this` : `“${doubt.says}” is said of something else`,
      hint,
    })),
};
