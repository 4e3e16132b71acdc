import { type Check, PRACTICE } from '../check.ts';

export const standfirst: Check = {
  name: 'standfirst',
  kind: 'whole',
  gravity: 'look',
  why: 'One or two sentences below the title say whether the post is worth the reader’s time.',
  source: PRACTICE,
  run: ({ details }) =>
    details.standfirst.trim()
      ? []
      : [{ place: { detail: 'standfirst' }, says: 'The post has no standfirst', hint: 'Say in a sentence or two what the post gives.' }],
};
