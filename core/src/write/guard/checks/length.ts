import { wordsIn } from '../../../post/sections.ts';
import type { GuardCheck } from '../finding.ts';

// A quarter more or less is near enough.
const NEAR = 0.25;

/** Whether the length asked for is met. */
export const length: GuardCheck = ({ doc, asked }) => {
  const words = doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
  if (!asked.words || Math.abs(words - asked.words) <= asked.words * NEAR) return [];
  const much = words > asked.words ? 'longer' : 'shorter';
  return [
    {
      check: 'length',
      gravity: 'look',
      block: null,
      from: 0,
      to: 0,
      says: `Much ${much} than asked`,
      hint: `${words.toLocaleString('en')} words, asked were ${asked.words.toLocaleString('en')}.`,
    },
  ];
};
