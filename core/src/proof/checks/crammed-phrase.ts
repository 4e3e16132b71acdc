import { wordCount } from '../../language/words.ts';
import { wordsIn } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';
import { phraseAt, phraseOf } from '../phrase.ts';
import { placeIn } from '../place.ts';

/** Words of the phrase among a hundred; more reads as crammed. */
const MOST_PERCENT = 3;
const FEWEST_TIMES = 4;

export const crammedPhrase: Check = {
  name: 'crammed phrase',
  kind: 'findable',
  gravity: 'look',
  why: 'A phrase that stands in every other sentence is taken for a trick, by readers and by search.',
  source: PRACTICE,
  run(post) {
    const phrase = phraseOf(post);
    if (!phrase) return [];
    const places = post.stretches.flatMap((stretch) => phraseAt(stretch, phrase).map((at) => ({ stretch, at })));
    const all = post.doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
    const share = (100 * places.length * wordCount(phrase)) / Math.max(1, all);
    if (places.length < FEWEST_TIMES || share <= MOST_PERCENT) return [];
    const { stretch, at } = places[Math.floor(places.length / 2)]!;
    return [
      {
        place: placeIn(stretch, at.from, at.to),
        says: `“${phrase}” stands ${places.length} times in ${all.toLocaleString('en')} words`,
        hint: `That is ${share.toFixed(1)} of a hundred words; past ${MOST_PERCENT} it reads as crammed. Say it in other words here and there.`,
      },
    ];
  },
};
