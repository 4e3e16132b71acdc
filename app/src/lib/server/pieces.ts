import { isDeepStrictEqual } from 'node:util';
import { desc, eq, sql } from 'drizzle-orm';
import { durationMs, type Source } from '@even-page/core/gather/source';
import { gather } from '@even-page/core/gather/formats';
import { wordCount } from '@even-page/core/language/words';
import { emptyDetails, type Details } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { tieToSource } from '@even-page/core/post/origins';
import { docFromJSON, emptyDoc, type PostNode } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import { figuresOf } from '@even-page/core/proof/figures';
import type { Edit } from '@even-page/core/tidy/edit';
import { Complaint } from '@even-page/core/complaint';
import { newBlockId } from '$lib/block-id.ts';
import type { Step } from '$lib/steps.ts';
import { ACTOR } from './actor.ts';
import { database, type Database } from './database.ts';
import { keep } from './files.ts';
import { nextThing } from './next-thing.ts';
import { outlets, pieces, pieceSources, postings, sources } from './schema.ts';

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** One file or paste as it came in. */
export type Material = { name: string; bytes: Uint8Array };

/** A save: the version it is based on, and what the piece is now. */
export type Save = { base: number; doc: object; details: Details; step: Step };

/** What came of a save: taken as a new version, or refused because somebody else saved since. */
export type Saved = { taken: true; version: number; savedAt: Date } | { taken: false; version: number };

/** The pieces on the Desk, last touched first. */
export async function listPieces() {
  const db = await database();
  const columns = {
    id: pieces.id,
    title: pieces.title,
    step: pieces.step,
    words: pieces.words,
    sectionWords: pieces.sectionWords,
    next: pieces.next,
    touchedAt: pieces.touchedAt,
    saidWords: sql<number>`coalesce(sum(${sources.words}), 0)::int`,
  };
  return db
    .select(columns)
    .from(pieces)
    .leftJoin(pieceSources, eq(pieceSources.pieceId, pieces.id))
    .leftJoin(sources, eq(sources.id, pieceSources.sourceId))
    .groupBy(pieces.id)
    .orderBy(desc(pieces.touchedAt));
}

/** A piece with its sources and where it was sent; null when there is none of that id. */
export async function readPiece(id: string) {
  if (!UUID.test(id)) return null;
  const db = await database();
  const [piece] = await db.select().from(pieces).where(eq(pieces.id, id));
  if (!piece) return null;
  return { piece, sources: await sourcesOf(db, id), postings: await postingsOf(db, id) };
}

async function sourcesOf(db: Database, id: string) {
  const rows = await db
    .select({ source: sources, edits: pieceSources.edits })
    .from(pieceSources)
    .innerJoin(sources, eq(sources.id, pieceSources.sourceId))
    .where(eq(pieceSources.pieceId, id))
    .orderBy(pieceSources.position);
  return rows.map(({ source, edits }) => {
    const read: Source = { kind: source.kind, passages: source.passages, ...(source.title ? { title: source.title } : {}) };
    return {
      id: source.id,
      name: source.name,
      bytes: source.bytes,
      words: source.words,
      durationMs: durationMs(read),
      source: read,
      edits,
    };
  });
}

async function postingsOf(db: Database, id: string) {
  return db
    .select({ outletId: postings.outletId, outlet: outlets.name, url: postings.url, version: postings.version, sentAt: postings.sentAt })
    .from(postings)
    .innerJoin(outlets, eq(outlets.id, postings.outletId))
    .where(eq(postings.pieceId, id));
}

/**
 * Makes a piece of material; without any it starts empty. Throws a Complaint, and makes nothing, when a file
 * cannot be read.
 */
export async function createPiece(materials: readonly Material[]): Promise<string> {
  const gathered = materials.map(readMaterial);
  const db = await database();
  return db.transaction(async (tx) => {
    const [piece] = await tx
      .insert(pieces)
      .values({ ...faceOf(emptyDoc(), emptyDetails()), touchedBy: ACTOR })
      .returning({ id: pieces.id });
    await addGathered(tx, piece!.id, gathered);
    return piece!.id;
  });
}

/** Adds material to a piece. An empty page takes up the first draft among it. Throws a Complaint like `createPiece`. */
export async function addMaterial(id: string, materials: readonly Material[]): Promise<void> {
  const gathered = materials.map(readMaterial);
  const db = await database();
  await db.transaction((tx) => addGathered(tx, id, gathered));
}

function readMaterial({ name, bytes }: Material) {
  try {
    return { name, bytes, ...gather(bytes, name) };
  } catch (cause) {
    if (cause instanceof Complaint && name) throw new Complaint(`${name}: ${cause.message}`);
    throw cause;
  }
}

async function addGathered(tx: Database, id: string, gathered: readonly ReturnType<typeof readMaterial>[]) {
  const [piece] = await tx.select().from(pieces).where(eq(pieces.id, id)).for('update');
  if (!piece) throw new Complaint('This piece is no longer here: go back to the Desk.');
  let doc = docFromJSON(piece.doc);
  let details = piece.details;
  const before = await tx.select().from(pieceSources).where(eq(pieceSources.pieceId, id));
  for (const [i, { name, bytes, source, draft }] of gathered.entries()) {
    const [row] = await tx
      .insert(sources)
      .values({
        digest: await keep(bytes),
        bytes: bytes.length,
        name: name || source.title || 'Pasted words',
        kind: source.kind,
        title: source.title ?? null,
        passages: source.passages,
        words: source.passages.reduce((sum, p) => sum + wordCount(p.text), 0),
        createdBy: ACTOR,
      })
      .returning({ id: sources.id });
    await tx.insert(pieceSources).values({ pieceId: id, sourceId: row!.id, position: before.length + i, edits: [] });
    if (draft && !doc.textContent) {
      doc = withIds(tieToSource(draft.doc, row!.id), newBlockId);
      details = { ...details, ...draft.details };
    } else if (!details.title && source.title) details = { ...details, title: source.title };
  }
  await writeFace(tx, id, doc, details, piece.version + 1);
}

/** Saves a piece if nobody else has since the version it is based on. Throws a RangeError when it is no post. */
export async function savePiece(id: string, save: Save): Promise<Saved | null> {
  const doc = docFromJSON(save.doc);
  const db = await database();
  return db.transaction(async (tx) => {
    const [piece] = await tx.select().from(pieces).where(eq(pieces.id, id)).for('update');
    if (!piece) return null;
    if (piece.version !== save.base) return { taken: false, version: piece.version };
    // Walking along the road is remembered, but it makes no new version of the post.
    const same = docFromJSON(piece.doc).eq(doc) && isDeepStrictEqual(piece.details, save.details);
    const version = same ? piece.version : piece.version + 1;
    const savedAt = await writeFace(tx, id, doc, save.details, version, save.step);
    return { taken: true, version, savedAt };
  });
}

/** Keeps the edits a writer has taken over a source of a piece. */
export async function saveEdits(id: string, sourceId: string, edits: Edit[]): Promise<void> {
  const db = await database();
  await db.transaction(async (tx) => {
    await tx
      .update(pieceSources)
      .set({ edits })
      .where(sql`${pieceSources.pieceId} = ${id} and ${pieceSources.sourceId} = ${sourceId}`);
    const [piece] = await tx.select().from(pieces).where(eq(pieces.id, id)).for('update');
    if (piece) await writeFace(tx, id, docFromJSON(piece.doc), piece.details, piece.version);
  });
}

/** Works out anew what the Desk says of a piece, after it was sent. */
export async function refreshFace(tx: Database, id: string): Promise<void> {
  const [piece] = await tx.select().from(pieces).where(eq(pieces.id, id));
  if (piece) await writeFace(tx, id, docFromJSON(piece.doc), piece.details, piece.version);
}

async function writeFace(tx: Database, id: string, doc: PostNode, details: Details, version: number, step?: Step): Promise<Date> {
  const own = await sourcesOf(tx, id);
  const [posted] = await postingsOf(tx, id);
  const surroundings = {
    sources: own.map((s) => ({ source: s.source, words: s.words, edits: s.edits.length })),
    posted: posted ? { outlet: posted.outlet, isCurrent: posted.version === version } : null,
  };
  const touchedAt = new Date();
  await tx
    .update(pieces)
    .set({
      ...faceOf(doc, details),
      title: details.title || own[0]?.source.title || own[0]?.name || 'Untitled',
      next: nextThing({ doc, details }, surroundings),
      version,
      touchedAt,
      touchedBy: ACTOR,
      ...(step ? { step } : {}),
    })
    .where(eq(pieces.id, id));
  return touchedAt;
}

function faceOf(doc: PostNode, details: Details) {
  return {
    doc: doc.toJSON() as object,
    details,
    title: details.title || 'Untitled',
    words: figuresOf(doc).words,
    sectionWords: sectionsOf(doc).map((s) => s.words),
    next: nextThing({ doc, details }, { sources: [], posted: null }),
  };
}
