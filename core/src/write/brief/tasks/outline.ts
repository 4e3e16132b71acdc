import { AS_MARKDOWN, type Task } from './task.ts';

/** Proposes an outline of the material. */
export const outline: Task = {
  label: 'Propose an outline',
  needs: 'all',
  asks: ({ brief: { words } }) => [
    `Propose the outline of a post${words ? ` of about ${words} words` : ''} made of these passages: one heading a section, each saying what its section tells.`,
    'Use second-level headings only, with one line below each that says what it must hold.',
    AS_MARKDOWN,
  ],
};
