import { createHash } from 'node:crypto';
import { setImmediate as turn } from 'node:timers/promises';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import type { Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import type { Draft } from '@even-page/core/post/merge';
import { docFromJSON, type Origin, type PostNode } from '@even-page/core/post/schema';
import { changeEdits, type EditChange } from '@even-page/core/tidy';
import { Complaint } from '@even-page/core/complaint';
import { shortened } from '@even-page/core/language/storable';
import { thinned } from '@even-page/core/write';
import { MOST_BLOCKS, MOST_PAGE } from '$lib/limits.ts';
import type { Step } from '$lib/steps.ts';
import { database, write } from './database.ts';
import type { Database } from './engine.ts';
import { findable } from './desk.ts';
import { lookOver } from './looking-through.ts';
import { figuresAlone, type Looks } from './looks.ts';
import { nextThing, type Surroundings } from './next-thing.ts';
import type { Person } from './person.ts';
import { outlets, pieces, pieceSources, postings, sendings, sources, versions } from './schema.ts';
import type { Writing } from './writing.ts';

/** A save: its own name, the version it is based on, and what the piece is now. */
export type Save = { key: string; base: number; doc: object; details: Details; step: Step; edits: EditChange[] };

/** What came of a save: taken as a version, or refused because somebody else saved since, with what stands now. */
export type Saved =
  { taken: true; version: number; savedAt: Date } | { taken: false; version: number; doc: object; details: Details; savedBy: string };

/** A piece with its sources and where it was sent; null when there is none of that id. */
export async function readPiece(id: string) {
  const db = await database();
  const found = await standingOf(db, id);
  if (!found) return null;
  const { piece, standing } = found;
  const { version, step, touchedAt } = piece;
  return {
    piece: { id, version, step, touchedAt, doc: standing.doc, details: standing.details },
    sources: await sourcesOf(db, id),
    postings: await postingsOf(db, id),
  };
}

/** When a piece was changed last; null when there is none of that id. */
export async function touchedAt(id: string): Promise<Date | null> {
  const db = await database();
  const [found] = await db.select({ touchedAt: pieces.touchedAt }).from(pieces).where(eq(pieces.id, id));
  return found?.touchedAt ?? null;
}

/** A page and its details as they were saved at a version; null when there is none. */
export async function readVersion(id: string, version: number) {
  const db = await database();
  const [found] = await db
    .select({ version: versions.version, doc: versions.doc, details: versions.details })
    .from(versions)
    .where(and(eq(versions.pieceId, id), eq(versions.version, version)));
  return found ?? null;
}

/** The versions of a piece that are kept, the newest first; null when there is no such piece. */
export async function listVersions(id: string) {
  const db = await database();
  const { version, savedAt, savedBy, name } = versions;
  const found = await db.select({ version, savedAt, savedBy, name }).from(versions).where(eq(versions.pieceId, id)).orderBy(desc(version));
  return found.length ? found : null;
}

/** Names a version, or takes its name away (null). False when it is not there. */
export async function nameVersion(person: Person, id: string, version: number, name: string | null): Promise<boolean> {
  if (!(await readVersion(id, version))) return false;
  await write(person, (writing) => writing.update(versions, { name }, and(eq(versions.pieceId, id), eq(versions.version, version))));
  return true;
}

// Thinning looks at the whole list: not at every save.
const THIN_EVERY = 20;

/** Takes away versions that lie close together and long ago (core/src/write/thinning.ts says which). */
async function thin(writing: Writing, id: string, standing: number): Promise<void> {
  const { tx } = writing;
  const [sent, onTheWay, kept] = [
    await tx.select({ version: postings.version }).from(postings).where(eq(postings.pieceId, id)),
    await tx.select({ version: sendings.version }).from(sendings).where(eq(sendings.pieceId, id)),
    await tx
      .select({ version: versions.version, savedAt: versions.savedAt, name: versions.name })
      .from(versions)
      .where(eq(versions.pieceId, id)),
  ];
  const held = new Set([1, standing, ...[...sent, ...onTheWay].map((s) => s.version)]);
  const gone = thinned(
    kept.map(({ version, savedAt, name }) => ({ version, savedAt, isHeld: name !== null || held.has(version) })),
    new Date(),
  );
  if (gone.length) await writing.delete(versions, and(eq(versions.pieceId, id), inArray(versions.version, gone)));
}

/** A piece and the version of it that stands. */
export async function standingOf(db: Database, id: string) {
  const [found] = await db
    .select({ piece: pieces, standing: versions })
    .from(pieces)
    .innerJoin(versions, and(eq(versions.pieceId, pieces.id), eq(versions.version, pieces.version)))
    .where(eq(pieces.id, id));
  return found ?? null;
}

async function sourcesOf(db: Database, id: string) {
  const rows = await db
    .select({ source: sources, edits: pieceSources.edits })
    .from(pieceSources)
    .innerJoin(sources, eq(sources.id, pieceSources.sourceId))
    .where(and(eq(pieceSources.pieceId, id), eq(pieceSources.isOff, false)))
    .orderBy(pieceSources.position);
  return rows.map(({ source, edits }) => ({
    id: source.id,
    name: source.name,
    bytes: source.bytes,
    words: source.words,
    reading: source.reading,
    notes: source.notes,
    address: source.address,
    recording: source.recording,
    published: source.published,
    transcribing: source.transcribing,
    durationMs: source.durationMs,
    source: { kind: source.kind, passages: source.passages, ...(source.title ? { title: source.title } : {}) } as Source,
    edits,
  }));
}

async function postingsOf(db: Database, id: string) {
  return db
    .select({ outletId: postings.outletId, outlet: outlets.name, url: postings.url, version: postings.version, sentAt: postings.sentAt })
    .from(postings)
    .innerJoin(outlets, eq(outlets.id, postings.outletId))
    .where(eq(postings.pieceId, id));
}

const TOO_LARGE = 'This page is larger than can be kept (about 250,000 words): cut it into two pieces.';

/** A page from outside. Throws a Complaint when it is too large, a RangeError when it is no post. */
function pageOf(json: object): PostNode {
  if (JSON.stringify(json).length > MOST_PAGE) throw new Complaint(TOO_LARGE);
  const doc = docFromJSON(json);
  let blocks = 0;
  doc.descendants((node) => {
    if (!node.isInline) blocks++;
    return !node.isTextblock;
  });
  if (blocks > MOST_BLOCKS) throw new Complaint(TOO_LARGE);
  return doc;
}

/**
 * Saves a piece if nobody else has since the version it is based on; a save sent twice is taken once. Null when
 * there is no such piece. Throws a RangeError when the page is no post.
 */
export async function savePiece(person: Person, id: string, save: Save): Promise<Saved | null> {
  // A large page takes its time at each of these steps: between them others get their turn.
  await turn();
  const draft = { doc: pageOf(save.doc), details: save.details };
  await turn();
  const next = stored(draft);
  await turn();
  const looks = await lookOver(draft);
  return write(person, async (writing) => {
    const piece = await lockPiece(writing, id);
    if (!piece) return null;
    const [before] = await writing.tx
      .select({ version: versions.version, savedAt: versions.savedAt })
      .from(versions)
      .where(and(eq(versions.pieceId, id), eq(versions.saveKey, save.key)));
    if (before) return { taken: true, ...before };
    if (piece.version !== save.base) {
      const { doc, details, savedBy } = (await standingOf(writing.tx, id))!.standing;
      return { taken: false, version: piece.version, doc, details, savedBy };
    }
    for (const change of save.edits) await saveEdits(writing, id, change);
    return { taken: true, ...(await writePiece(writing, piece, next, looks, save)) };
  });
}

async function saveEdits(writing: Writing, id: string, change: EditChange) {
  const here = and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, change.source));
  const [row] = await writing.tx.select({ edits: pieceSources.edits }).from(pieceSources).where(here);
  if (row) await writing.update(pieceSources, { edits: changeEdits(row.edits, change) }, here);
}

/** Works out anew what the Desk says of a piece whose page is as it was: after it was sent, or its material changed. */
export async function refreshDeskRow(writing: Writing, id: string): Promise<void> {
  const piece = await lockPiece(writing, id);
  if (!piece) return;
  const here = and(eq(versions.pieceId, id), eq(versions.version, piece.version));
  const [standing] = await writing.tx.select({ details: versions.details }).from(versions).where(here);
  const looks = piece.looks ?? figuresAlone(docFromJSON((await standingOf(writing.tx, id))!.standing.doc));
  await writeDeskRow(writing, piece, standing!.details, looks, { touchedAt: new Date() });
}

export const GONE = 'This piece is no longer here: go back to the Desk.';

/**
 * Changes the page of a piece together with what `work` writes, all or nothing. The page is looked through before the
 * transaction, which holds up everybody else; where somebody saved in between, it is begun again. Throws a Complaint when the
 * piece is gone.
 */
export async function changePage(
  person: Person,
  id: string,
  change: (draft: Draft) => Draft,
  work: (writing: Writing) => Promise<void>,
): Promise<void> {
  for (;;) {
    const found = await standingOf(await database(), id);
    if (!found) throw new Complaint(GONE);
    const was = { doc: docFromJSON(found.standing.doc), details: found.standing.details };
    const draft = change(was);
    const next = stored(draft);
    const looks = (found.piece.digest === next.digest && found.piece.looks) || (await lookOver(draft));
    const isDone = await write(person, async (writing) => {
      const piece = await lockPiece(writing, id);
      if (!piece) throw new Complaint(GONE);
      if (piece.version !== found.piece.version) return false;
      await work(writing);
      await writePiece(writing, piece, next, looks);
      return true;
    });
    if (isDone) return;
  }
}

export type PieceRow = typeof pieces.$inferSelect;
export type Stored = { doc: object; details: Details; digest: string };

/** The row of a piece, held until the writing is done. */
export async function lockPiece({ tx }: Writing, id: string): Promise<PieceRow | undefined> {
  return (await tx.select().from(pieces).where(eq(pieces.id, id)).for('update'))[0];
}

/** Writes what a piece is now: a new version where the post changed, and its row on the Desk. */
export async function writePiece(writing: Writing, piece: PieceRow, next: Stored, looks: Looks, save?: Pick<Save, 'key' | 'step'>) {
  const { id } = piece;
  const savedAt = new Date();
  const { doc, details, digest } = next;
  // Walking along the road is remembered, but it makes no new version of the post.
  const isNew = (piece.digest ?? (await digestOf(writing, id))) !== digest;
  const version = isNew ? piece.version + 1 : piece.version;
  if (isNew)
    await writing.insert(versions, { pieceId: id, version, saveKey: save?.key, doc, details, savedAt, savedBy: writing.person.id });
  if (isNew && version % THIN_EVERY === 0) await thin(writing, id, version);
  await writeDeskRow(writing, { ...piece, version }, details, looks, {
    version,
    digest,
    touchedAt: savedAt,
    step: save?.step ?? piece.step,
  });
  return { version, savedAt };
}

type Touched = Partial<Pick<PieceRow, 'version' | 'digest' | 'step'>> & { touchedAt: Date };

async function writeDeskRow(writing: Writing, { id, version }: PieceRow, details: Details, looks: Looks, touched: Touched): Promise<void> {
  const around = await surroundingsOf(writing.tx, id, version);
  await writing.update(pieces, { ...deskRow(details, looks, around), ...touched, touchedBy: writing.person.id }, eq(pieces.id, id));
}

/** The digest of the version that stands, for a piece whose row does not have it yet. */
async function digestOf({ tx }: Writing, id: string): Promise<string> {
  const { doc, details } = (await standingOf(tx, id))!.standing;
  return stored({ doc: docFromJSON(doc), details }).digest;
}

/** A draft as it lies in the database, and by what its like is told. */
export function stored({ doc, details }: Draft): Stored {
  const json = doc.toJSON() as object;
  // The database gives the names of things back in an order of its own: here they have one.
  const named = Object.entries(details).sort(([a], [b]) => (a < b ? -1 : 1));
  const digest = createHash('sha256')
    .update(JSON.stringify([json, named], inOrder))
    .digest('hex');
  return { doc: json, details, digest };
}

const inOrder = (name: string, value: unknown): unknown =>
  name === 'origins' ? (value as Origin[]).map(({ source, first, last, startMs }) => [source, first, last, startMs]) : value;

/** The surroundings of a piece that was just made. */
export const NOTHING_AROUND: Surroundings = { sources: [], posted: null };

async function surroundingsOf(tx: Database, id: string, version: number): Promise<Surroundings> {
  const own = await tx
    .select({
      name: sources.name,
      title: sources.title,
      words: sources.words,
      durationMs: sources.durationMs,
      edits: sql<number>`jsonb_array_length(${pieceSources.edits})`,
    })
    .from(pieceSources)
    .innerJoin(sources, eq(sources.id, pieceSources.sourceId))
    .where(and(eq(pieceSources.pieceId, id), eq(pieceSources.isOff, false)))
    .orderBy(pieceSources.position);
  const [posted] = await postingsOf(tx, id);
  return { sources: own, posted: posted ? { outlet: posted.outlet, isCurrent: posted.version === version } : null };
}

// A title is as long as the details let it be; the name of a file may be anything.
const MOST_TITLE = 300;

/** What the Desk shows of a piece. */
export function deskRow(details: Details, looks: Looks, around: Surroundings) {
  const [first] = around.sources;
  const title = shortened(details.title || first?.title || first?.name || 'Untitled', MOST_TITLE);
  return { title, titleKey: findable(title), words: looks.words, sectionWords: looks.sectionWords, looks, next: nextThing(looks, around) };
}
