import { type Check, PRACTICE } from '../check.ts';

export const category: Check = {
  name: 'category',
  kind: 'whole',
  gravity: 'look',
  why: 'Readers who liked one post find the next by its category or tags.',
  source: PRACTICE,
  run: ({ details }) =>
    details.category.trim() || details.tags.length
      ? []
      : [{ place: { detail: 'category' }, says: 'The post has neither category nor tags', hint: 'One category, or two or three tags.' }],
};
