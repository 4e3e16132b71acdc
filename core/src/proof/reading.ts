import { GRADE_AIM } from '../language/grade.ts';
import { readability } from '../language/readability.ts';
import { proseText } from './figures.ts';
import type { Check } from './finding.ts';

// From here on it is worth a look (common practice, no source).
const GRADE_HARD = 11;

/** Whether the post as a whole reads with ease. */
export const readingGrade: Check = {
  name: 'reading grade',
  run: ({ doc }) => {
    const { grade, words } = readability(proseText(doc));
    if (grade === null || words < 100 || grade < GRADE_HARD) return [];
    return [
      {
        gravity: 'look',
        place: null,
        says: `The text reads at grade ${Math.round(grade)}`,
        hint: `Grade ${GRADE_AIM} suits a general audience: shorter sentences and plainer words bring it down.`,
      },
    ];
  },
};
