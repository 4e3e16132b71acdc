import { normal } from '../../language/terms.ts';
import { outlineOf } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';

export const repeatedHeading: Check = {
  name: 'repeated heading',
  kind: 'whole',
  gravity: 'look',
  why: 'Two headings that say the same send readers to the wrong one.',
  source: PRACTICE,
  run({ doc }) {
    const seen = new Set<string>();
    return outlineOf(doc).flatMap(({ id, heading }) => {
      const words = normal(heading);
      if (id === 'lead' || !words) return [];
      const isNew = !seen.has(words);
      seen.add(words);
      if (isNew) return [];
      return [{ place: { block: id }, says: `“${heading}” heads two sections`, hint: 'Say what is new in the second.' }];
    });
  },
};
