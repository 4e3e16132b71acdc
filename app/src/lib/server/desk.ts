import { desc, eq, inArray, like, sql } from 'drizzle-orm';
import { number, object, string, type InferType } from 'yup';
import { STEP_NAMES } from '$lib/steps.ts';
import { shortened } from '@even-page/core/language/storable';
import { database } from './database.ts';
import { pieces, pieceSources, sources } from './schema.ts';

/** How many rows of the Desk come at a time. */
export const DESK_ROWS = 60;

const stepAt = sql`array_position(array[${sql.join(
  STEP_NAMES.map((step) => sql`${step}`),
  sql`, `,
)}]::text[], ${pieces.step})`;

const ORDERS = {
  touched: [desc(pieces.touchedAt), desc(pieces.id)],
  step: [stepAt, desc(pieces.touchedAt)],
  title: [pieces.titleKey, pieces.id],
};

/** What the Desk is asked for: an order, words the title holds, and the row to begin at. */
export const deskSchema = object({
  order: string()
    .oneOf(Object.keys(ORDERS) as (keyof typeof ORDERS)[], 'The Desk knows the orders touched, step and title.')
    .default('touched'),
  find: string().max(300, 'Look for at most 300 characters.').default(''),
  from: number().integer().min(0).max(1_000_000).default(0),
});

/** Rows of the Desk, with how many pieces fit and how many there are. */
export async function deskRows({ order, find, from }: InferType<typeof deskSchema>) {
  const db = await database();
  const wanted = findable(find.trim());
  const fits = wanted ? like(pieces.titleKey, `%${wanted.replace(/[\\%_]/g, '\\$&')}%`) : undefined;
  // First the ids alone: rows passed over are then light.
  const wantedIds = db
    .select({ id: pieces.id })
    .from(pieces)
    .where(fits)
    .orderBy(...ORDERS[order])
    .limit(DESK_ROWS)
    .offset(from);
  const rows = await db
    .select({
      id: pieces.id,
      title: pieces.title,
      step: pieces.step,
      words: pieces.words,
      sectionWords: pieces.sectionWords,
      next: pieces.next,
      touchedAt: pieces.touchedAt,
    })
    .from(pieces)
    .where(inArray(pieces.id, wantedIds))
    .orderBy(...ORDERS[order]);
  // Asked for these rows alone: as part of the list it would be counted for every row passed over, too.
  const said = await db
    .select({ id: pieceSources.pieceId, words: sql<number>`sum(${sources.words})::int` })
    .from(pieceSources)
    .innerJoin(sources, eq(sources.id, pieceSources.sourceId))
    .where(
      inArray(
        pieceSources.pieceId,
        rows.map((row) => row.id),
      ),
    )
    .groupBy(pieceSources.pieceId);
  const saidBy = new Map(said.map(({ id, words }) => [id, words]));
  const total = await db.$count(pieces);
  return {
    rows: rows.map((row) => ({ ...row, saidWords: saidBy.get(row.id) ?? 0 })),
    found: fits ? await db.$count(pieces, fits) : total,
    total,
  };
}

// A row of an index holds at most 2,704 bytes; one sign can stand for many letters.
const MOST_KEY = 600;

/** A title as it is looked for and sorted: in lower case, without accents. */
export function findable(title: string): string {
  return shortened(title.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase(), MOST_KEY);
}
