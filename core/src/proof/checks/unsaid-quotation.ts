import { type Check, PRACTICE } from '../check.ts';
import { unsaid } from '../unsaid.ts';

export const unsaidQuotation: Check = {
  name: 'quotation nobody said',
  kind: 'truth',
  gravity: 'must',
  why: 'Words between quotation marks are somebody’s own, to the letter.',
  source: PRACTICE,
  run: (post) =>
    unsaid(post, 'quotation', () => ({
      says: 'A quotation nobody said like this',
      hint: 'Listen again and take the words as they were said, or take the marks away.',
    })),
};
