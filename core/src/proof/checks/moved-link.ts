import type { Check } from '../check.ts';
import { eachTriedLink, linkSays } from '../each-link.ts';

export const movedLink: Check = {
  name: 'moved link',
  kind: 'links',
  gravity: 'look',
  why: 'The old address of a page that moved works until somebody clears it away.',
  source: 'RFC 9110, 15.4.2 and 15.4.9',
  run: eachTriedLink(({ state, movedTo }, link) =>
    movedTo && state === 'fine'
      ? {
          says: `What ${linkSays(link)} leads to has moved`,
          hint: `It is at ${movedTo} now.`,
          fix: { label: 'Link the new address', href: movedTo },
        }
      : null,
  ),
};
