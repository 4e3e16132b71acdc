import { type Check, PRACTICE } from '../check.ts';
import { spokenOf } from '../own-posts.ts';
import { placeIn } from '../place.ts';

// The best are enough: more would make a page of links.
const MOST = 5;

export const ownPost: Check = {
  name: 'link to a post of yours',
  kind: 'links',
  gravity: 'look',
  why: 'Readers who want more stay, and the other post is found.',
  source: PRACTICE,
  run: ({ stretches, posts = [] }) =>
    spokenOf(stretches, posts)
      .slice(0, MOST)
      .map(({ stretch, from, to, post }) => ({
        place: placeIn(stretch, from, to),
        says: `“${stretch.text.slice(from, to)}” could lead to “${post.title}”`,
        hint: `You have published it at ${post.address}.`,
        fix: { label: 'Link it', href: post.address },
      })),
};
