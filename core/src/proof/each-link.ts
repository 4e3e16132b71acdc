import type { Found, Ready } from './check.ts';
import { type Link, linksOf } from './links-of.ts';
import { placeIn } from './place.ts';
import type { TriedLink } from './tried-link.ts';

/** A check of each link by what came of trying it; those that were not tried are passed over. */
export const eachTriedLink =
  (find: (tried: TriedLink, link: Link) => Omit<Found, 'place'> | null) =>
  ({ stretches, links = {} }: Ready): Found[] =>
    stretches.flatMap((stretch) =>
      linksOf(stretch).flatMap((link) => {
        const tried = links[link.href];
        const found = tried && find(tried, link);
        return found ? [{ place: placeIn(stretch, link.from, link.to), ...found }] : [];
      }),
    );

/** The words of a link as a finding says them. */
export const linkSays = ({ words, href }: Link): string => `“${words.trim() || href}”`;
