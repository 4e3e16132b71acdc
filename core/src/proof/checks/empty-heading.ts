import { outlineOf } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';

export const emptyHeading: Check = {
  name: 'empty heading',
  kind: 'whole',
  gravity: 'must',
  why: 'A heading without words is a hole in the outline, and read aloud as nothing.',
  source: PRACTICE,
  run: ({ doc }) =>
    outlineOf(doc)
      .filter((s) => s.id !== 'lead' && !s.heading)
      .map((s) => ({
        place: { block: s.id },
        says: 'A heading is empty',
        hint: 'Give it words or take it out.',
        fix: { label: 'Take it out', takeOut: true },
      })),
};
