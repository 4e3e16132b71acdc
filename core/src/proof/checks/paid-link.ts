import { leadsTo } from '../../post/paid-links.ts';
import { plainText } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';
import { linkSays } from '../each-link.ts';
import { linksOf } from '../links-of.ts';
import { blockNumbers, placeIn } from '../place.ts';

const SAYS_SO =
  /\b(?:paid|pays? us|sponsor(?:ed|s|ship)?|advert(?:isement|ising)?s?|affiliate|commission|we (?:earn|are paid)|in partnership|partner links?)\b/i;
// So many blocks around count as near.
const NEAR = 1;

export const paidLink: Check = {
  name: 'paid link',
  kind: 'links',
  gravity: 'must',
  why: 'Readers, and the law in many places, ask that a paid recommendation says so where it stands.',
  source: PRACTICE,
  run({ doc, stretches, house }) {
    if (!house.paid.length) return [];
    const told = doc.children.map((block) => SAYS_SO.test(plainText(block)));
    const blockOf = blockNumbers(doc);
    return stretches.flatMap((stretch) =>
      linksOf(stretch).flatMap((link) => {
        if (!leadsTo(link.href, house.paid)) return [];
        const at = blockOf.get(stretch.block) ?? 0;
        // What opens the post is said for all of it.
        if (told[0] || told.slice(Math.max(0, at - NEAR), at + NEAR + 1).some(Boolean)) return [];
        return [
          {
            place: placeIn(stretch, link.from, link.to),
            says: `${linkSays(link)} is a paid offer, and nothing near it says so`,
            hint: 'Say it before the link: “a paid link”, or a sentence at the beginning of the post.',
          },
        ];
      }),
    );
  },
};
