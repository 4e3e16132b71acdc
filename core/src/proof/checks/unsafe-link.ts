import type { Check } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { linksOf } from '../links-of.ts';
import { placeIn } from '../place.ts';

// Addresses that lead somewhere on the writer's own machine or network, or to nobody (RFC 2606, RFC 6761).
const NOWHERE =
  /^(?:https?:)?\/\/(?:localhost|127\.|192\.168\.|10\.|[^/]*\.(?:local|test|invalid|localhost)(?:[:/]|$)|example\.(?:com|org|net))|^(?:file|blob|data):/i;

export const unsafeLink: Check = {
  name: 'link to nowhere',
  kind: 'links',
  gravity: 'must',
  why: 'A link that leads to the writer’s own machine, or to an example, leads readers nowhere.',
  source: 'RFC 2606 and RFC 6761',
  run: eachStretch((stretch) =>
    linksOf(stretch)
      .filter(({ href }) => NOWHERE.test(href))
      .map(({ words, from, to, href }) => ({
        place: placeIn(stretch, from, to),
        says: `“${words.trim()}” leads readers nowhere`,
        hint: `Nobody but you can open ${href}.`,
      })),
  ),
};
