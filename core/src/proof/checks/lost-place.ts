import type { Check } from '../check.ts';
import { linkSays } from '../each-link.ts';
import { linksOf } from '../links-of.ts';
import { placeIn } from '../place.ts';

export const lostPlace: Check = {
  name: 'lost place',
  kind: 'links',
  gravity: 'look',
  why: 'A link to a place inside a page that is not there leaves readers at its top, looking.',
  source: 'HTML standard, 7.4.6.4 (the indicated part of a document)',
  run: ({ stretches, links = {} }) =>
    stretches.flatMap((stretch) =>
      linksOf(stretch).flatMap((link) => {
        // The blocks of a post carry no names that could be linked to.
        const isOwn = /^#./.test(link.href);
        if (!isOwn && !links[link.href]?.isPlaceLost) return [];
        return [
          {
            place: placeIn(stretch, link.from, link.to),
            says: `${linkSays(link)} leads to a place that is not there`,
            hint: isOwn
              ? `Nothing in the post is called ${link.href}.`
              : `The page is there, but nothing in it is called #${link.href.split('#')[1]}.`,
            ...(isOwn ? {} : { fix: { label: 'Link the page', href: link.href.split('#')[0]! } }),
          },
        ];
      }),
    ),
};
