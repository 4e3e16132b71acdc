import type { Check } from '../check.ts';
import { eachTriedLink, linkSays } from '../each-link.ts';
import type { LinkState } from '../tried-link.ts';

const BECAUSE: Partial<Record<LinkState, string>> = {
  slow: 'nothing answered in time. Try it again later',
  failing: 'the site has a fault. Try it again later',
  closed: 'the site does not let programs look. Open it yourself',
  private: 'it leads into a private network, where readers do not get',
};

export const silentLink: Check = {
  name: 'link without an answer',
  kind: 'links',
  gravity: 'look',
  why: 'Nobody knows whether such a link leads anywhere until somebody has opened it.',
  source: 'RFC 9110, 15.5 and 15.6',
  run: eachTriedLink(({ state, status }, link) => {
    const because = BECAUSE[state];
    return because
      ? { says: `${linkSays(link)} could not be tried`, hint: `${link.href}${status ? ` answered ${status}` : ''}: ${because}.` }
      : null;
  }),
};
