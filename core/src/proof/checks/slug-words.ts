import { type Check, PRACTICE } from '../check.ts';

const LONG = 60;
// What no title ends in.
const LEADS_ON = /^(?:an?|the|and|or|but|of|to|in|on|at|for|from|with|by|as|your|our|my|their|its|is|are)$/;

export const slugWords: Check = {
  name: 'slug words',
  kind: 'findable',
  gravity: 'look',
  why: 'An address that ends in a word cut short, or goes on for ever, is neither read nor trusted.',
  source: PRACTICE,
  run({ details: { slug } }) {
    const words = slug.split('-');
    const place = { detail: 'slug' } as const;
    if (slug.length > LONG)
      return [{ place, says: `The slug has ${slug.length} characters`, hint: `Up to ${LONG} are seen whole: keep the words that matter.` }];
    if (words.length > 2 && LEADS_ON.test(words.at(-1)!))
      return [{ place, says: `The slug ends in “${words.at(-1)}”`, hint: 'It looks cut off. End it with a word that says something.' }];
    return [];
  },
};
