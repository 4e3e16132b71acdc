import { type Check, PRACTICE } from '../check.ts';
import { linksOf } from '../links-of.ts';
import { wordsIn } from '../../post/sections.ts';

const FROM_WORDS = 300;

export const noLinks: Check = {
  name: 'links',
  kind: 'links',
  gravity: 'look',
  why: 'A post that leads nowhere is where readers leave.',
  source: PRACTICE,
  run({ doc, stretches }) {
    const words = doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
    if (words < FROM_WORDS || stretches.some((stretch) => linksOf(stretch).length)) return [];
    return [{ place: null, says: 'The post has no link', hint: 'Link what you speak of, or where readers can go next.' }];
  },
};
