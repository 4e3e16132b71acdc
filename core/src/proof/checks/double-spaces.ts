import { type Check, PRACTICE } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

export const doubleSpaces: Check = {
  name: 'double spaces',
  kind: 'whole',
  gravity: 'look',
  why: 'Two spaces look like a gap, and some outlets show them.',
  source: PRACTICE,
  run: eachMatch(/(?<=\S)[  ]{2,}(?=\S)/gu, () => ({
    says: 'Two spaces stand where one belongs',
    hint: 'One is enough.',
    fix: { label: 'Make it one', text: ' ' },
  })),
};
