import { normal } from '../../language/terms.ts';
import { type Check, type Found, PRACTICE } from '../check.ts';
import { placeIn } from '../place.ts';

const INSIDE = /[\p{L}\p{N}]/u;

export const stockPhrase: Check = {
  name: 'stock phrase',
  kind: 'language',
  gravity: 'look',
  why: 'What is read everywhere says nothing, and House style or the brief never uses it.',
  source: PRACTICE,
  run({ stretches, house, details }) {
    const never = [...house.never, ...(details.brief?.never ?? [])].map((words) => normal(words.trim())).filter(Boolean);
    return stretches.flatMap((stretch) => {
      const text = stretch.text.toLowerCase().replaceAll('’', "'");
      return never.flatMap((words): Found[] => {
        const found: Found[] = [];
        for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + words.length)) {
          if (INSIDE.test(text[at - 1] ?? '') || INSIDE.test(text[at + words.length] ?? '')) continue;
          const said = stretch.text.slice(at, at + words.length);
          found.push({
            place: placeIn(stretch, at, at + words.length),
            says: `“${said}” is never used here`,
            hint: 'House style or the brief says so. Say it in plain words.',
          });
        }
        return found;
      });
    });
  },
};
