import type { Check } from '../check.ts';
import { eachUsage, orElse } from '../each-usage.ts';

export const insensitive: Check = {
  name: 'insensitive word',
  kind: 'language',
  gravity: 'look',
  why: 'A word that hurts some readers loses them, and those who stand by them.',
  source: 'package retext-equality',
  run: eachUsage('insensitive', (usage, words) => ({ says: `“${words}” may hurt`, hint: orElse(usage, 'Say it another way.') })),
};
