import { setImmediate as turn } from 'node:timers/promises';
import { and, desc, eq, ne } from 'drizzle-orm';
import { shinglesOf } from '@even-page/core/language/shingles';
import { docFromJSON } from '@even-page/core/post/schema';
import { sharedShingles, stretchesOf } from '@even-page/core/proof';
import { database } from './database.ts';
import { pieces, versions } from './schema.ts';

// The pieces touched last are looked through; the shingles of each are kept until it is changed.
const MOST_PIECES = 1000;
const kept = new Map<string, { version: number; shingles: Uint32Array }>();

/** A piece that shares words with another: its title, and the shingles that stand in both. */
export type SharingPiece = { id: string; title: string; shingles: number[] };

/** The pieces of the house that share words on end with a piece, as it was saved last. */
export async function sharingPieces(id: string): Promise<SharingPiece[]> {
  const db = await database();
  const own = new Set(await shinglesOfPiece(id));
  if (!own.size) return [];
  const others = await db
    .select({ id: pieces.id, title: pieces.title, version: pieces.version })
    .from(pieces)
    .where(ne(pieces.id, id))
    .orderBy(desc(pieces.touchedAt))
    .limit(MOST_PIECES);
  const found: SharingPiece[] = [];
  for (const { id: other, title, version } of others) {
    const shingles = sharedShingles(own, await shinglesOfPiece(other, version));
    if (shingles.length) found.push({ id: other, title: title || 'Untitled', shingles });
  }
  return found;
}

async function shinglesOfPiece(id: string, known?: number): Promise<Uint32Array> {
  const before = kept.get(id);
  if (before && before.version === known) return before.shingles;
  const db = await database();
  const [row] = await db
    .select({ doc: versions.doc, version: versions.version })
    .from(versions)
    .innerJoin(pieces, and(eq(pieces.id, versions.pieceId), eq(pieces.version, versions.version)))
    .where(eq(pieces.id, id));
  if (!row) return new Uint32Array();
  const stretches = stretchesOf(docFromJSON(row.doc));
  const shingles = Uint32Array.from(stretches.flatMap(({ text }) => shinglesOf(text).map(({ hash }) => hash)));
  kept.set(id, { version: row.version, shingles });
  if (kept.size > MOST_PIECES) kept.delete(kept.keys().next().value!);
  // Others are answered in between.
  await turn();
  return shingles;
}
