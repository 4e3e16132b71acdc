import { outlineOf } from '../../post/sections.ts';
import type { Check } from '../check.ts';

export const headingLevel: Check = {
  name: 'heading level',
  kind: 'everyone',
  gravity: 'look',
  why: 'Whoever hears the page goes from heading to heading by their levels; none may be missing.',
  source: 'WCAG 2.2, techniques H42 and G141',
  run({ doc }) {
    let above = 1;
    return outlineOf(doc)
      .filter((s) => s.id !== 'lead')
      .flatMap(({ id, level, heading }) => {
        const wanted = above + 1;
        above = Math.min(level, wanted);
        if (level <= wanted) return [];
        return [
          {
            place: { block: id },
            says: `“${heading || 'A heading'}” skips a level`,
            hint: `It is a level ${level} heading where level ${wanted} is next.`,
            fix: { label: `Make it level ${wanted}`, attrs: { level: wanted } },
          },
        ];
      });
  },
};
