import type { Check } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { linkSays } from '../each-link.ts';
import { isExample, leadsNowhere, linksOf } from '../links-of.ts';
import { placeIn } from '../place.ts';

export const unsafeLink: Check = {
  name: 'link to nowhere',
  kind: 'links',
  gravity: 'must',
  why: 'A link that leads to the writer’s own machine, or to an example, leads readers nowhere.',
  source: 'RFC 2606 and RFC 6761',
  run: eachStretch((stretch) =>
    linksOf(stretch)
      .filter(({ href }) => leadsNowhere(href))
      .map((link) => ({
        place: placeIn(stretch, link.from, link.to),
        says: `${linkSays(link)} leads readers nowhere`,
        hint: isExample(link.href) ? `${link.href} stands for an address: put the real one.` : `Nobody but you can open ${link.href}.`,
      })),
  ),
};
