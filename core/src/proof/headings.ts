import { outlineOf } from '../post/sections.ts';
import type { Check } from './finding.ts';

/** A heading without words is a hole in the outline. */
export const emptyHeadings: Check = {
  name: 'empty heading',
  run: ({ doc }) =>
    outlineOf(doc)
      .filter((s) => s.id !== 'lead' && !s.heading)
      .map((s) => ({ gravity: 'must', place: { block: s.id }, says: 'A heading is empty', hint: 'Give it words or take it out.' })),
};

/** Levels go down one at a time (WCAG technique H42, G141): after a level 2 heading comes 2 or 3, never 4. */
export const skippedLevels: Check = {
  name: 'heading level',
  run: ({ doc }) => {
    let level = 1;
    return outlineOf(doc)
      .filter((s) => s.id !== 'lead')
      .flatMap((s) => {
        const skipped = s.level > level + 1;
        const wanted = level + 1;
        level = s.level;
        return skipped
          ? [
              {
                gravity: 'look' as const,
                place: { block: s.id },
                says: `“${s.heading || 'A heading'}” skips a level`,
                hint: `It is a level ${s.level} heading where level ${wanted} is next.`,
              },
            ]
          : [];
      });
  },
};
