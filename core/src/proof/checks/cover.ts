import { type Check, PRACTICE } from '../check.ts';

export const cover: Check = {
  name: 'cover',
  kind: 'whole',
  gravity: 'look',
  why: 'Where a link to the post is shared, its cover is what is seen first.',
  source: PRACTICE,
  run: ({ details }) =>
    details.cover
      ? []
      : [{ place: { detail: 'cover' }, says: 'The post has no cover', hint: 'Make one in Dress, from a picture or from the title.' }],
};
