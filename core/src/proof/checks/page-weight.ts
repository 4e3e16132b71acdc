import { shownPictures } from '../../post/pictures.ts';
import { type Check, PRACTICE } from '../check.ts';

/** What a page weighs at most to be there at once on a telephone, in kB. */
const MOST_KB = 1500;

export const pageWeight: Check = {
  name: 'weight of the page',
  kind: 'pictures',
  gravity: 'look',
  why: 'A heavy page is left before it is there.',
  source: PRACTICE,
  run({ doc, weights = {} }) {
    const files = [...new Map(shownPictures(doc).map((picture) => [picture.src, picture])).values()];
    const weighed = files.map(({ src, alt }) => ({ alt, kb: (weights[src] ?? 0) / 1000 })).sort((a, b) => b.kb - a.kb);
    const all = weighed.reduce((sum, { kb }) => sum + kb, 0);
    if (all <= MOST_KB) return [];
    const [heaviest] = weighed;
    return [
      {
        place: null,
        says: `The pictures of the page weigh ${Math.round(all).toLocaleString('en')} kB`,
        hint: `Up to ${MOST_KB.toLocaleString('en')} are there at once. “${heaviest!.alt || 'A picture'}” weighs most, ${Math.round(heaviest!.kb).toLocaleString('en')} kB: Dress makes it lighter.`,
      },
    ];
  },
};
