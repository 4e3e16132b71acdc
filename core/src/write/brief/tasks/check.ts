import type { Task } from './task.ts';

/** Holds a text against the material. */
export const check: Task = {
  label: 'Check against the material',
  needs: 'all',
  asks: () => [
    'Hold this text against the passages, sentence by sentence: numbers, names, dates, quotations and claims.',
    'Answer with a list: for each sentence that the passages do not bear out, the sentence, and what the passages say instead with their numbers. When all of it is borne out, say so in one line.',
  ],
};
