import type { Rights } from '@even-page/core/dress';
import { filesOf } from '@even-page/core/post/pictures';
import { Complaint } from '@even-page/core/complaint';
import type { Details } from '@even-page/core/post/details';
import type { Draft } from '@even-page/core/post/merge';
import type { House } from '@even-page/core/tidy';
import { Helper } from './helper.ts';
import { readHouse } from './house-style.ts';
import { figuresAlone, type Looks } from './looks.ts';
import { rightsAt } from './pictures.ts';

/** A page as it goes to the program that looks it through. */
export type Page = { doc: object; details: Details; rights: Record<string, Rights>; house: House };

const TOO_LONG = 'This page takes longer to check than there is time for: look for a line of letters without a space.';

const looker = new Helper<Page, Looks>('looks', {
  mostMs: 10_000,
  mostMb: 500,
  tooLong: TOO_LONG,
  tooLarge: TOO_LONG,
  broken: 'This page could not be checked. It is kept as it is; try again.',
});

/** What every check finds on a page, beside the server. Throws a Complaint when that takes too long. */
export const lookThrough = async ({ doc, details }: Draft): Promise<Looks> =>
  looker.ask({ doc: doc.toJSON() as object, details, rights: await rightsAt(filesOf(doc)), house: await readHouse() });

// Nobody's save waits longer for what the Desk says of it.
const PATIENCE_MS = 1500;

/** The same for the Desk: the figures alone where looking through takes too long. */
export async function lookOver(draft: Draft): Promise<Looks> {
  let timer: ReturnType<typeof setTimeout>;
  const enough = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), PATIENCE_MS)));
  const looked = lookThrough(draft).catch((cause: unknown) => {
    if (cause instanceof Complaint) return null;
    throw cause;
  });
  const looks = await Promise.race([looked, enough]).finally(() => clearTimeout(timer));
  return looks ?? figuresAlone(draft.doc, draft.details);
}
