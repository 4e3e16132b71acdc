import { wordsIn } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';

/** Below this a post is a note, above it too long for one sitting. */
const WORDS = { least: 300, most: 4000 } as const;

export const wordCountInRange: Check = {
  name: 'word count',
  kind: 'whole',
  gravity: 'look',
  why: 'A post that is too short gives nothing, and one that is too long is not read to its end.',
  source: PRACTICE,
  run({ doc }) {
    const words = doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
    if (words >= WORDS.least && words <= WORDS.most) return [];
    const few = words < WORDS.least;
    const count = `${words.toLocaleString('en')} word${words === 1 ? '' : 's'}`;
    return [
      {
        place: null,
        says: words === 0 ? 'The page is empty' : few ? `The post has only ${count}` : `The post has ${count}`,
        hint: few
          ? 'A short post has about 500, an ordinary one about 900.'
          : 'Past 4,000 more words make a post worse: split it, or take some out.',
      },
    ];
  },
};
