import { readingLevels } from '../../language/reading-levels.ts';
import type { Check } from '../check.ts';
import { proseCounts } from '../figures.ts';
import { gradeFor } from '../what-counts.ts';

// So far above what is asked for it is worth a look.
const OVER = 3;
const FEWEST_WORDS = 100;

export const readingGrade: Check = {
  name: 'reading grade',
  kind: 'reading',
  gravity: 'look',
  why: 'Everybody reads what is written plainly; what takes a student is left by most.',
  source: 'Kincaid, Fishburne, Rogers and Chissom 1975; the limit is common practice, no source',
  run({ doc, details }) {
    const aim = details.brief?.grade ?? gradeFor(details.brief ?? {});
    const counts = proseCounts(doc);
    const grade = readingLevels(counts)?.kincaid;
    if (grade === undefined || counts.words < FEWEST_WORDS || grade < aim + OVER) return [];
    return [
      {
        place: null,
        says: `The text reads at grade ${Math.round(grade)}`,
        hint: `Grade ${aim} is asked for: shorter sentences and plainer words bring it down.`,
      },
    ];
  },
};
