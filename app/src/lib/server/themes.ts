import { desc, eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { namedIn, readTheme, type Sheet, sheetAlone, type Theme } from '@even-page/core/theme';
import { database, write } from './database.ts';
import { fetchAddress } from './fetch-address.ts';
import type { Person } from './person.ts';
import { outlets, postings } from './schema.ts';

// A theme of more is one that nobody waits for.
const MOST_SHEETS = 20;
const MOST_CSS_BYTES = 2 * 1024 * 1024;
const MOST_FONT_BYTES = 1.5 * 1024 * 1024;

/** The theme of an outlet: the theme that was read and from where, or none and an address to read it from. */
export type OutletTheme = { theme: Theme | null; from: string; notes: string[] };

const GONE = 'This outlet is no longer here: reload the page.';

/** The theme of an outlet as it was last read. Throws a Complaint when there is no such outlet. */
export async function themeOf(outletId: string): Promise<OutletTheme> {
  const db = await database();
  const [outlet] = await db.select().from(outlets).where(eq(outlets.id, outletId));
  if (!outlet) throw new Complaint(GONE);
  if (outlet.theme) return { theme: outlet.theme, from: outlet.themeFrom ?? '', notes: [] };
  const [newest] = await db.select().from(postings).where(eq(postings.outletId, outletId)).orderBy(desc(postings.sentAt)).limit(1);
  return { theme: null, from: newest?.url ?? new URL('/', outlet.endpoint).href, notes: [] };
}

/**
 * Reads the theme of an outlet from one of its posts: its style sheets and fonts are kept, so that nothing is asked for
 * when a page is shown. Throws a Complaint when there is no such outlet, or nothing to be read at the address.
 */
export async function takeTheme(person: Person, outletId: string, address: string): Promise<OutletTheme> {
  const db = await database();
  const [outlet] = await db.select().from(outlets).where(eq(outlets.id, outletId));
  if (!outlet) throw new Complaint(GONE);
  const known = new URL(outlet.endpoint).host;
  const { bytes, address: found = address } = await fetchAddress(address, known);
  const { sheets, ...around } = readTheme(new TextDecoder().decode(bytes), found);
  const { css, lost } = await rulesOf(sheets, found, known);
  const theme: Theme = { ...around, css };
  await write(person, (writing) => writing.update(outlets, { theme, themeFrom: found }, eq(outlets.id, outletId)));
  const notes = lost
    ? [`${lost} ${lost === 1 ? 'file' : 'files'} of its theme could not be fetched: something may look different there.`]
    : [];
  return { theme, from: found, notes };
}

/** The rules of all sheets in their order, with those they take in and the fonts they name. */
async function rulesOf(sheets: readonly Sheet[], page: string, known: string): Promise<{ css: string; lost: number }> {
  let asked = 0;
  let fontBytes = 0;
  let lost = 0;
  const bytesAt = async (address: string) => {
    if (asked++ < MOST_SHEETS) {
      const file = await fetchAddress(address, known).catch((cause: unknown) => {
        if (cause instanceof Complaint) return null;
        throw cause;
      });
      if (file) return file.bytes;
    }
    lost++;
    return null;
  };
  const fontAt = async (address: string): Promise<[string, string] | null> => {
    const bytes = await bytesAt(address);
    if (!bytes) return null;
    fontBytes += bytes.length;
    if (fontBytes <= MOST_FONT_BYTES) return [address, `data:font/woff2;base64,${Buffer.from(bytes).toString('base64')}`];
    lost++;
    return null;
  };
  const rulesIn = async (css: string, address: string, mayTakeIn: boolean): Promise<string> => {
    const named = namedIn(css, address);
    const takenIn = [];
    if (mayTakeIn) for (const sheet of named.sheets) takenIn.push(await rulesAt(sheet, false));
    const fonts = [];
    for (const font of new Set(named.fonts)) fonts.push(await fontAt(font));
    return [...takenIn, sheetAlone(css, address, new Map(fonts.filter((font) => font !== null)))].join('\n');
  };
  const rulesAt = async (address: string, mayTakeIn: boolean): Promise<string> => {
    const bytes = await bytesAt(address);
    return bytes ? rulesIn(new TextDecoder().decode(bytes), address, mayTakeIn) : '';
  };
  const rules = [];
  for (const sheet of sheets) rules.push('css' in sheet ? await rulesIn(sheet.css, page, true) : await rulesAt(sheet.address, true));
  const css = rules.join('\n');
  if (css.length > MOST_CSS_BYTES + fontBytes * 1.4)
    throw new Complaint('The theme of this outlet is larger than 2 MB, and cannot be shown here.');
  return { css, lost };
}
