import { wordCount } from '../../language/words.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';
import { isProse } from '../stretches.ts';

// A line of fewer words that holds no sentence is a title or a label.
const FEWEST_WORDS = 15;
const LEADS_ON = /(?:[,–—-]|\b(?:an?|the|and|or|but|of|to|in|on|at|for|from|with|by|as|your|our|my|their|that|which|because|is|are))$/iu;
// A note in brackets may stand at the end: a placeholder is found as such.
const ENDS = /(?:[.!?…:;][”’"')\]]*|\])$/u;

export const unfinishedSentence: Check = {
  name: 'unfinished sentence',
  kind: 'whole',
  gravity: 'must',
  why: 'A paragraph that stops in the middle was cut off, or is still to be written.',
  source: PRACTICE,
  run: eachStretch((stretch) => {
    if (!isProse(stretch)) return [];
    const text = stretch.text.trimEnd();
    if (!text || ENDS.test(text)) return [];
    const holdsSentence = /[.!?…]\s/u.test(text);
    if (!holdsSentence && !LEADS_ON.test(text) && wordCount(text) < FEWEST_WORDS) return [];
    const from = Math.max(0, text.lastIndexOf(' ', text.length - 24) + 1);
    return [{ place: placeIn(stretch, from, text.length), says: 'A paragraph has no end', hint: `It stops at “${text.slice(from)}”.` }];
  }),
};
