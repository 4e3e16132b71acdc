import type { Check } from '../check.ts';
import { eachUsage } from '../each-usage.ts';

export const grammar: Check = {
  name: 'grammar',
  kind: 'language',
  gravity: 'look',
  why: 'A slip of grammar makes readers doubt the rest.',
  source:
    'the grammar rules of harper.js; subjects that do not agree with their verbs, and words confused with others (own rules; common practice, no source)',
  run: eachUsage('grammar', (usage, words) => ({
    says: /[\p{L}\p{N}]/u.test(words) ? `“${words}” reads wrong` : 'A mark stands wrong',
    hint: usage.says,
  })),
};
