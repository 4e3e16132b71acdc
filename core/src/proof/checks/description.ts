import { type Check, PRACTICE } from '../check.ts';

export const description: Check = {
  name: 'description',
  kind: 'whole',
  gravity: 'look',
  why: 'The description stands under the title where the post is found or shared.',
  source: PRACTICE,
  run: ({ details }) =>
    details.description.trim()
      ? []
      : [
          {
            place: { detail: 'description' },
            says: 'The post has no description',
            hint: 'Without one, search pages cut any sentence out of the text.',
          },
        ],
};
