import { wordsIn } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';

// So far off the length asked for is worth a word (own choice).
const OFF = 0.2;

export const askedLength: Check = {
  name: 'length asked for',
  kind: 'findable',
  gravity: 'look',
  why: 'Somebody counted on the length that was agreed.',
  source: PRACTICE,
  run({ doc, details: { words: asked } }) {
    const words = doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
    if (!asked || Math.abs(words - asked) <= OFF * asked) return [];
    const off = Math.round((100 * Math.abs(words - asked)) / asked);
    return [
      {
        place: null,
        says: `The post is ${off} % ${words > asked ? 'over' : 'under'} its length`,
        hint: `${words.toLocaleString('en')} words, where ${asked.toLocaleString('en')} are asked for. Shape takes out what is needed least, or fills up.`,
      },
    ];
  },
};
