import { type Check, PRACTICE } from '../check.ts';
import { unsaid } from '../unsaid.ts';

export const denial: Check = {
  name: 'the opposite said',
  kind: 'truth',
  gravity: 'look',
  why: 'A “not” that was lost or put in turns advice into its opposite.',
  source: PRACTICE,
  run: (post) => unsaid(post, 'denial', (_, hint) => ({ says: 'The material may say the opposite', hint })),
};
