import type { Check } from '../check.ts';
import { eachTriedLink, linkSays } from '../each-link.ts';

export const deadLink: Check = {
  name: 'dead link',
  kind: 'links',
  gravity: 'must',
  why: 'Readers who follow a link to nothing do not follow the next one.',
  source: 'RFC 9110, 15.5.5 and 15.5.11',
  run: eachTriedLink(({ state, status }, link) => {
    const says = `${linkSays(link)} leads to nothing`;
    if (state === 'gone') return { says, hint: `${link.href} answered ${status}: that page is not there.` };
    if (state === 'nobody') return { says, hint: `No site has the name in ${link.href}.` };
    if (state === 'certificate')
      return {
        says: `${linkSays(link)} leads to a warning`,
        hint: `The certificate of ${link.href} does not hold: browsers warn of such a site.`,
      };
    return null;
  }),
};
