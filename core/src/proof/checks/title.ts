import { type Check, PRACTICE } from '../check.ts';

export const title: Check = {
  name: 'title',
  kind: 'whole',
  gravity: 'must',
  why: 'The title is what readers choose a post by, everywhere it is listed.',
  source: PRACTICE,
  run: ({ details }) =>
    details.title.trim() ? [] : [{ place: { detail: 'title' }, says: 'The post has no title', hint: 'Write one at the top of the page.' }],
};
