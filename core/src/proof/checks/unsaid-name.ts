import { type Check, PRACTICE } from '../check.ts';
import { unsaid } from '../unsaid.ts';

export const unsaidName: Check = {
  name: 'name nobody said',
  kind: 'truth',
  gravity: 'must',
  why: 'A wrong name hurts somebody, and everybody who knows them sees it.',
  source: PRACTICE,
  run: (post) =>
    unsaid(post, 'name', (doubt, hint) => ({
      says: doubt.elsewhere === null ? `“${doubt.says}”: nobody said this name` : `“${doubt.says}” is named, but not here`,
      hint: doubt.meant ? `The material has “${doubt.meant}”.` : hint,
      ...(doubt.meant ? { fix: { label: `Make it “${doubt.meant}”`, text: doubt.meant } } : {}),
    })),
};
