import { type Check, PRACTICE } from '../check.ts';
import { eachUsage } from '../each-usage.ts';

export const hedge: Check = {
  name: 'hedge',
  kind: 'language',
  gravity: 'look',
  why: 'A word that takes back half of what it says helps nobody.',
  source: PRACTICE,
  run: eachUsage('hedge', (_, words) => ({
    says: `“${words}” weakens what it stands beside`,
    hint: 'Leave it out and read the sentence again.',
  })),
};
