import { STANDING_PARTS, type StandingPart } from '../../shape/index.ts';
import { type Check, PRACTICE } from '../check.ts';

export const missingPart: Check = {
  name: 'standing part',
  kind: 'whole',
  gravity: 'look',
  why: 'What the brief asks for is looked for by whoever approves the post.',
  source: PRACTICE,
  run({ doc, details }) {
    const there = new Set(doc.children.map((block) => block.attrs.part as string));
    return (details.brief?.parts ?? [])
      .filter((part): part is StandingPart => part in STANDING_PARTS && !there.has(part))
      .map((part) => ({
        place: null,
        says: `“${STANDING_PARTS[part].label}” is asked for and not there`,
        hint: 'Shape makes it of what the page says.',
      }));
  },
};
