import { type Check, PRACTICE } from '../check.ts';

export const byline: Check = {
  name: 'byline',
  kind: 'whole',
  gravity: 'look',
  why: 'Readers trust a post more when they know who wrote it.',
  source: PRACTICE,
  run({ details, house }) {
    if (details.byline?.trim()) return [];
    const fix = house?.byline ? { fix: { label: `Sign it ${house.byline}`, detail: 'byline' as const, value: house.byline } } : {};
    return [{ place: { detail: 'byline' }, says: 'The post names no author', hint: 'Write a byline in Send.', ...fix }];
  },
};
