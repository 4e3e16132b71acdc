import { type Check, PRACTICE } from '../check.ts';
import { placeIn } from '../place.ts';
import { oneEnglishOf } from '../spelling.ts';

export const mixedSpelling: Check = {
  name: 'two spellings',
  kind: 'language',
  gravity: 'look',
  why: 'British and American spelling on one page look like two writers.',
  source: PRACTICE,
  run(post) {
    const found = oneEnglishOf(post);
    const british = found.filter(({ english }) => english === 'British');
    const american = found.filter(({ english }) => english === 'American');
    if (!british.length || !american.length) return [];
    // Those of which there are fewer stand out.
    const [few, many] = british.length < american.length ? [british, american] : [american, british];
    return few.map(({ stretch, word, english }) => ({
      place: placeIn(stretch, word.from, word.to),
      says: `“${word.text}” is ${english} spelling`,
      hint: `Elsewhere the page spells as ${english === 'British' ? 'Americans' : 'the British'} do, as in “${many[0]!.word.text}”.`,
    }));
  },
};
