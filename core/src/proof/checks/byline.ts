import { type Check, PRACTICE } from '../check.ts';

export const byline: Check = {
  name: 'byline',
  kind: 'whole',
  gravity: 'look',
  why: 'Readers trust a post more when they know who wrote it.',
  source: PRACTICE,
  run: ({ details }) =>
    details.byline?.trim() ? [] : [{ place: { detail: 'byline' }, says: 'The post names no author', hint: 'Write a byline in Send.' }],
};
