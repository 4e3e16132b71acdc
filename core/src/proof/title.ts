import type { Check } from './finding.ts';

/** A post needs a title. */
export const title: Check = {
  name: 'title',
  run: ({ details }) =>
    details.title.trim()
      ? []
      : [{ gravity: 'must', place: { detail: 'title' }, says: 'The post has no title', hint: 'Write one at the top of the page.' }],
};
