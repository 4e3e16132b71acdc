import { slugOf } from '../../language/slug.ts';
import { type Check, PRACTICE } from '../check.ts';

export const slug: Check = {
  name: 'slug',
  kind: 'whole',
  gravity: 'look',
  why: 'The slug is the end of the address; a good one says what the page is about and never has to change.',
  source: PRACTICE,
  run({ details: { slug, title } }) {
    if (slug) return [];
    const value = slugOf(title);
    const fix = value ? { fix: { label: `Use ${value}`, detail: 'slug' as const, value } } : {};
    return [{ place: { detail: 'slug' }, says: 'The post has no slug', hint: 'Without one the blog makes its own.', ...fix }];
  },
};
