import { and, asc, count, desc, eq, max, sql } from 'drizzle-orm';
import pLimit from 'p-limit';
import { Complaint } from '@even-page/core/complaint';
import { phrasesAsTable, phrasesFromTable, type ReferencePage } from '@even-page/core/yardstick';
import { database, write } from './database.ts';
import type { Person } from './person.ts';
import { becauseOf, fetchedPage, measured } from './reference-pages.ts';
import { resultsFor } from './result-list.ts';
import { pieces, versions, yardstickPages, yardsticks } from './schema.ts';

const MOST_PAGES = 30;
const AT_ONCE = 4;

/** The form in which phrases are compared. */
const keyOf = (phrase: string): string => phrase.trim().toLowerCase().replace(/\s+/g, ' ');

/** The phrases there are, the newest first: each with its columns, its pages, and the pieces written for it. */
export async function listYardsticks() {
  const db = await database();
  const pages = db
    .select({
      yardstickId: yardstickPages.yardstickId,
      pages: count().as('pages'),
      taken: sql<number>`count(*) filter (where not ${yardstickPages.isOut})`.mapWith(Number).as('taken'),
      readAt: max(yardstickPages.readAt).as('read'),
    })
    .from(yardstickPages)
    .groupBy(yardstickPages.yardstickId)
    .as('read_pages');
  const rows = await db
    .select({
      id: yardsticks.id,
      phrase: yardsticks.phrase,
      columns: yardsticks.columns,
      pages: pages.pages,
      taken: pages.taken,
      readAt: pages.readAt,
    })
    .from(yardsticks)
    .leftJoin(pages, eq(pages.yardstickId, yardsticks.id))
    .orderBy(desc(yardsticks.createdAt), asc(yardsticks.phraseKey));
  const written = await piecesByPhrase();
  return rows.map(({ pages, taken, readAt, ...row }) => ({
    ...row,
    pages: pages ?? 0,
    taken: taken ?? 0,
    readAt: readAt ? new Date(readAt) : null,
    pieces: written.get(keyOf(row.phrase)) ?? [],
  }));
}

/** Which pieces are written for a phrase, as their main one or another. */
async function piecesByPhrase(): Promise<Map<string, { id: string; title: string; isMain: boolean }[]>> {
  const db = await database();
  const rows = await db
    .select({
      id: pieces.id,
      title: pieces.title,
      phrase: sql<string | null>`${versions.details}->'brief'->>'phrase'`,
      phrases: sql<string[] | null>`${versions.details}->'brief'->'phrases'`,
    })
    .from(pieces)
    .innerJoin(versions, and(eq(versions.pieceId, pieces.id), eq(versions.version, pieces.version)))
    .where(sql`${versions.details}->'brief' is not null`);
  const found = new Map<string, { id: string; title: string; isMain: boolean }[]>();
  for (const { id, title, phrase, phrases } of rows)
    for (const [n, said] of [phrase ?? '', ...(phrases ?? [])].entries())
      if (said) found.set(keyOf(said), [...(found.get(keyOf(said)) ?? []), { id, title: title || 'Untitled', isMain: n === 0 }]);
  return found;
}

/** A yardstick with its pages, by its id or its phrase; null when there is none. */
export async function readYardstick(by: { id: string } | { phrase: string }) {
  const db = await database();
  const [row] = await db
    .select()
    .from(yardsticks)
    .where('id' in by ? eq(yardsticks.id, by.id) : eq(yardsticks.phraseKey, keyOf(by.phrase)));
  if (!row) return null;
  const { id, phrase, columns } = row;
  return { id, phrase, columns, pages: await pagesOf(id), pieces: (await piecesByPhrase()).get(row.phraseKey) ?? [] };
}

async function pagesOf(id: string) {
  const db = await database();
  const rows = await db.select().from(yardstickPages).where(eq(yardstickPages.yardstickId, id)).orderBy(asc(yardstickPages.position));
  return rows.map(({ yardstickId: _, ...page }) => page);
}

/** Keeps a phrase; one that is there already is that one. Returns its id. */
export async function keepPhrase(person: Person, phrase: string): Promise<string> {
  const db = await database();
  const phraseKey = keyOf(phrase);
  const find = async () => (await db.select({ id: yardsticks.id }).from(yardsticks).where(eq(yardsticks.phraseKey, phraseKey)))[0]?.id;
  const known = await find();
  if (known) return known;
  const row = { id: crypto.randomUUID(), phrase: phrase.trim(), phraseKey, columns: {}, createdAt: new Date(), createdBy: person.id };
  const isNew = await write(person, (writing) => writing.insertOnce(yardsticks, row));
  return isNew ? row.id : (await find())!;
}

/** Takes a phrase and its yardstick out. */
export const removeYardstick = (person: Person, id: string): Promise<void> =>
  write(person, (writing) => writing.delete(yardsticks, eq(yardsticks.id, id)));

/** What came of bringing pages in: how many, and a sentence for each that could not be. */
export type Brought = { taken: number; left: string[] };

/** Fetches the pages at some addresses and takes them in; those that are there already are read again. */
export async function addAddresses(person: Person, id: string, addresses: readonly string[]): Promise<Brought> {
  const limit = pLimit(AT_ONCE);
  const left: string[] = [];
  const fetched = await Promise.all(
    [...new Set(addresses)].map((address) =>
      limit(async () => {
        try {
          return await fetchedPage(address);
        } catch (cause) {
          if (!(cause instanceof Complaint)) throw cause;
          left.push(`${address}: ${cause.message}`);
          return null;
        }
      }),
    ),
  );
  const pages = fetched.filter((page) => page !== null);
  await takeIn(person, id, pages);
  return { taken: pages.length, left };
}

/** The first ten pages the result list has for the phrase, taken in. Throws a Complaint when it does not answer. */
export async function addResults(person: Person, id: string): Promise<Brought> {
  const yardstick = await readYardstick({ id });
  if (!yardstick) throw new Complaint('This phrase is no longer here.');
  return addAddresses(person, id, await resultsFor(yardstick.phrase));
}

/** Takes in pages from their HTML. Throws a Complaint when one cannot be read. */
export async function addHtml(person: Person, id: string, files: readonly { bytes: Uint8Array; address: string }[]): Promise<Brought> {
  const pages = [];
  for (const { bytes, address } of files) pages.push({ address, page: await measured(bytes, address) });
  await takeIn(person, id, pages);
  return { taken: pages.length, left: [] };
}

async function takeIn(person: Person, id: string, fresh: readonly { address: string; page: ReferencePage }[]): Promise<void> {
  const db = await database();
  const [row] = await db.select({ id: yardsticks.id }).from(yardsticks).where(eq(yardsticks.id, id));
  if (!row) throw new Complaint('This phrase is no longer here.');
  const there = await pagesOf(id);
  const known = new Map(there.filter(({ address }) => address).map((row) => [row.address, row]));
  const added = fresh.filter(({ address }) => !known.has(address));
  if (there.length + added.length > MOST_PAGES) throw new Complaint(`A yardstick holds at most ${MOST_PAGES} pages: take some away first.`);
  const last = Math.max(0, ...there.map(({ position }) => position));
  await write(person, async (writing) => {
    const readAt = new Date();
    for (const { address, page } of fresh) {
      const row = known.get(address);
      if (row) await writing.update(yardstickPages, { page, before: row.page.figures, readAt }, eq(yardstickPages.id, row.id));
    }
    for (const [n, { address, page }] of added.entries())
      await writing.insert(yardstickPages, { id: crypto.randomUUID(), yardstickId: id, address, page, position: last + n + 1, readAt });
  });
  await propose(person, id);
}

/** Proposes which pages to leave out; what somebody decided stays. */
async function propose(person: Person, id: string): Promise<void> {
  const rows = await pagesOf(id);
  const because = await becauseOf(rows.map(({ page }) => page));
  await write(person, async (writing) => {
    for (const [n, row] of rows.entries()) {
      const isOut = row.isDecided ? row.isOut : !!because[n];
      if (row.because !== because[n] || row.isOut !== isOut)
        await writing.update(yardstickPages, { because: because[n]!, isOut }, eq(yardstickPages.id, row.id));
    }
  });
}

/** Leaves a page out, or takes it in. */
export const decide = (person: Person, pageId: string, isOut: boolean): Promise<void> =>
  write(person, (writing) => writing.update(yardstickPages, { isOut, isDecided: true }, eq(yardstickPages.id, pageId)));

/** Reads all pages with an address again. */
export async function readAgain(person: Person, id: string): Promise<Brought> {
  const addresses = (await pagesOf(id)).map(({ address }) => address).filter(Boolean);
  return addAddresses(person, id, addresses);
}

/** Takes a page away. */
export async function removePage(person: Person, id: string, pageId: string): Promise<void> {
  await write(person, (writing) => writing.delete(yardstickPages, and(eq(yardstickPages.id, pageId), eq(yardstickPages.yardstickId, id))));
  await propose(person, id);
}

/** Takes in the phrases of a table, with all its columns, in one go. Throws a Complaint when it holds none. */
export async function phrasesIn(person: Person, text: string): Promise<{ taken: number }> {
  const found = new Map(phrasesFromTable(text).map((row) => [keyOf(row.phrase), row]));
  if (!found.size) throw new Complaint('There is no phrase in this table: one a row, with a first row that names the columns.');
  const db = await database();
  const known = new Map(
    (await db.select({ id: yardsticks.id, key: yardsticks.phraseKey }).from(yardsticks)).map(({ id, key }) => [key, id]),
  );
  const now = Date.now();
  await write(person, async (writing) => {
    // One behind the other, so that they stand in the order of the table.
    for (const [n, [phraseKey, { phrase, columns }]] of [...found].entries()) {
      const id = known.get(phraseKey);
      if (id) await writing.update(yardsticks, { columns }, eq(yardsticks.id, id));
      else {
        const row = { id: crypto.randomUUID(), phrase, phraseKey, columns, createdAt: new Date(now - n), createdBy: person.id };
        await writing.insertOnce(yardsticks, row);
      }
    }
  });
  return { taken: found.size };
}

/** All phrases as a table. */
export async function phrasesOut(): Promise<string> {
  const rows = await listYardsticks();
  return phrasesAsTable(rows.map((row) => ({ ...row, pieces: row.pieces.map(({ title }) => title) })));
}
