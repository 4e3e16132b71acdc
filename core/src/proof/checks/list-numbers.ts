import { type Check, type Found, PRACTICE } from '../check.ts';
import { placeIn } from '../place.ts';
import { isProse, type Stretch } from '../stretches.ts';

const NUMBERED = /^(?:step\s+)?(\d{1,2})[.):]\s/i;

const numberOf = (stretch: Stretch): number | null => {
  const found = isProse(stretch) || stretch.node.type.name === 'heading' ? NUMBERED.exec(stretch.text) : null;
  return found && Number(found[1]);
};

export const listNumbers: Check = {
  name: 'list numbers',
  kind: 'whole',
  gravity: 'must',
  why: 'Steps whose numbers do not go on make readers look for the one that is missing.',
  source: PRACTICE,
  run({ stretches }) {
    const last = new Map<string, number>();
    return stretches.flatMap((stretch): Found[] => {
      const n = numberOf(stretch);
      if (n === null) return [];
      // Headings are counted by themselves, and each level of them.
      const row = `${stretch.node.type.name} ${String(stretch.node.attrs.level)}`;
      const before = last.get(row);
      last.set(row, n);
      if (before === undefined || n === before + 1 || n === 1) return [];
      const digits = stretch.text.search(/\d/);
      return [
        {
          place: placeIn(stretch, digits, digits + String(n).length),
          says: `${n} follows ${before}`,
          hint: `The next number is ${before + 1}.`,
          fix: { label: `Make it ${before + 1}`, text: String(before + 1) },
        },
      ];
    });
  },
};
