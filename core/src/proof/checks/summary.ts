import { type Check, PRACTICE } from '../check.ts';

export const summary: Check = {
  name: 'summary',
  kind: 'whole',
  gravity: 'look',
  why: 'Lists and feeds show a summary: it is all that most of their readers ever see.',
  source: PRACTICE,
  run: ({ details }) =>
    details.summary?.trim()
      ? []
      : [
          {
            place: { detail: 'summary' },
            says: 'The post has no summary',
            hint: 'Two or three sentences for lists and feeds; Send offers some.',
          },
        ],
};
