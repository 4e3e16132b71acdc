import type { Task } from './task.ts';

/** Five titles for one idea, or for the piece. */
export const titles: Task = {
  label: 'Five titles',
  needs: 'all',
  asks: ({ text, brief: { phrase } }) => [
    `Propose five titles for ${text ? `this idea: ${text}` : 'this post'}.`,
    `Each has at most 60 characters${phrase ? `, and holds the words “${phrase}” or most of them` : ''}, and promises nothing the material does not give.`,
    'Answer with a list of five lines, one title each, and nothing else.',
  ],
};
