import { figuresOf } from './figures.ts';
import type { Check } from './finding.ts';

/** Below this a post is a note, above it too long for one sitting (common practice, no source). */
export const WORDS = { least: 300, most: 4000 } as const;

/** Whether there is enough to read, and not too much. */
export const wordCountInRange: Check = {
  name: 'word count',
  run: ({ doc }) => {
    const { words } = figuresOf(doc);
    if (words >= WORDS.least && words <= WORDS.most) return [];
    const few = words < WORDS.least;
    const count = words.toLocaleString('en');
    return [
      {
        gravity: 'look',
        place: null,
        says:
          words === 0
            ? 'The page is empty'
            : few
              ? `The post has only ${count} word${words === 1 ? '' : 's'}`
              : `The post has ${count} words`,
        hint: few
          ? 'A short post has about 500, an ordinary one about 900.'
          : 'Past 4,000 more words make a post worse: split it, or take some out.',
      },
    ];
  },
};
