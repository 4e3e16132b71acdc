import { normal } from '../../language/terms.ts';
import { type Check, type Found, PRACTICE, type Ready } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';

/** What House style and the brief never use. */
const neverUsed = ({ house, details }: Ready): string[] =>
  [...house.never, ...(details.brief?.never ?? [])].map((words) => normal(words.trim())).filter(Boolean);

const INSIDE = /[\p{L}\p{N}]/u;

export const stockPhrase: Check = {
  name: 'stock phrase',
  kind: 'language',
  gravity: 'look',
  why: 'What is read everywhere says nothing, and House style or the brief never uses it.',
  source: PRACTICE,
  run: eachStretch(
    (stretch, post) => {
      const text = stretch.text.toLowerCase().replaceAll('’', "'");
      return neverUsed(post).flatMap((words) => {
        const found: Found[] = [];
        for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + words.length)) {
          if (INSIDE.test(text[at - 1] ?? '') || INSIDE.test(text[at + words.length] ?? '')) continue;
          found.push({
            place: placeIn(stretch, at, at + words.length),
            says: `“${stretch.text.slice(at, at + words.length)}” is never used here`,
            hint: 'House style or the brief says so. Say it in plain words.',
          });
        }
        return found;
      });
    },
    (post) => neverUsed(post).join('\n'),
  ),
};
