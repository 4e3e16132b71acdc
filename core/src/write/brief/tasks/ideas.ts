import type { Task } from './task.ts';

/** Ten ideas for a subject, beside what was written already. */
export const ideas: Task = {
  label: 'Ten ideas for a subject',
  needs: 'all',
  asks: ({ text, written }) => [
    `Propose ten ideas for posts about: ${text}.`,
    'Think of what readers ask: how, why, what it is, when not to, usual mistakes, first steps, what it costs, what to look for, what comes next.',
    ...(written.length
      ? [`These are written already; propose none of them again: ${written.map((title) => `“${title}”`).join(', ')}.`]
      : []),
    'Answer with a list of ten lines, one idea each in at most twelve words, and nothing else.',
  ],
};
