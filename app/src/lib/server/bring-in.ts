import { and, desc, eq, ilike, sql } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import type { Reading } from '@even-page/core/gather/readings';
import { durationMs } from '@even-page/core/gather/source';
import { wordCount } from '@even-page/core/language/words';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postToMarkdown } from '@even-page/core/post/markdown';
import { tieToSource } from '@even-page/core/post/origins';
import { emptyDoc } from '@even-page/core/post/schema';
import { newBlockId } from '$lib/block-id.ts';
import { ACTOR } from './actor.ts';
import { database, write } from './database.ts';
import { bytesOf, keep } from './files.ts';
import { keepPictures, type Kept } from './kept-pictures.ts';
import { draftOf, face, lockPiece, NOTHING_AROUND, stored, writePiece, type Draft } from './pieces.ts';
import { readFile } from './reader.ts';
import { pieces, pieceSources, sources, versions } from './schema.ts';
import type { Writing } from './writing.ts';

/** One file or paste as it came in; the web address it was fetched from, if it was. */
export type Material = { name: string; bytes: Uint8Array; address?: string };

type Gathered = Kept & { reading: Reading; address?: string };

/**
 * Makes a piece of material; without any it starts empty. Throws a Complaint, and makes nothing, when a file
 * cannot be read.
 */
export async function createPiece(materials: readonly Material[]): Promise<string> {
  const gathered = await gatherAll(materials);
  return write(async (writing) => {
    const draft = { doc: emptyDoc(), details: emptyDetails() };
    const { id } = await writing.insert(pieces, { ...face(draft, NOTHING_AROUND), version: 1, touchedBy: ACTOR });
    await writing.insert(versions, { pieceId: id, version: 1, ...stored(draft), savedBy: ACTOR });
    if (gathered.length) await addGathered(writing, id, gathered);
    return id;
  });
}

/** Adds material to a piece. An empty page takes up the first draft among it. Throws a Complaint like `createPiece`. */
export async function addMaterial(id: string, materials: readonly Material[]): Promise<void> {
  const gathered = await gatherAll(materials);
  await write((writing) => addGathered(writing, id, gathered));
}

async function gatherAll(materials: readonly Material[]): Promise<Gathered[]> {
  const all: Gathered[] = [];
  for (const material of materials) all.push(...(await gatherOne(material, 'structure')));
  return all;
}

async function gatherOne({ name, bytes, address }: Material, reading: Reading): Promise<Gathered[]> {
  try {
    const files = await readFile({ bytes, name, reading });
    const kept: Gathered[] = [];
    for (const file of files) kept.push({ ...(await keepPictures(file)), reading, ...(address ? { address } : {}) });
    return kept;
  } catch (cause) {
    if (cause instanceof Complaint && name) throw new Complaint(`${name}: ${cause.message}`, { cause });
    throw cause;
  }
}

const GONE = 'This piece is no longer here: go back to the Desk.';

async function addGathered(writing: Writing, id: string, gathered: readonly Gathered[]) {
  const piece = await lockPiece(writing, id);
  if (!piece) throw new Complaint(GONE);
  const draft = await draftOf(writing, piece);
  let position = await nextPosition(writing, id);
  for (const one of gathered) {
    const source = await addSource(writing, one);
    await writing.insert(pieceSources, { pieceId: id, sourceId: source, position: position++, edits: [] });
    takeUp(draft, source, one);
  }
  await writePiece(writing, piece, draft);
}

/** The place after the last source of a piece. */
export async function nextPosition({ tx }: Writing, id: string): Promise<number> {
  const [row] = await tx
    .select({ last: sql<number>`max(${pieceSources.position})::int` })
    .from(pieceSources)
    .where(eq(pieceSources.pieceId, id));
  return (row?.last ?? -1) + 1;
}

async function addSource(writing: Writing, { name, bytes, source, reading, notes, address }: Gathered): Promise<string> {
  const row = await writing.insert(sources, {
    digest: await keep(bytes),
    bytes: bytes.length,
    name: name || source.title || 'Pasted words',
    kind: source.kind,
    reading,
    notes,
    address: address ?? null,
    title: source.title ?? null,
    passages: source.passages,
    words: source.passages.reduce((sum, p) => sum + wordCount(p.text), 0),
    durationMs: durationMs(source),
    createdBy: ACTOR,
  });
  return row.id;
}

/** An empty page takes up a draft that was brought; one without a title, the title. */
function takeUp(draft: Draft, source: string, { draft: brought, source: { title } }: Gathered): void {
  if (brought && !draft.doc.textContent && !draft.doc.firstChild?.isAtom) {
    draft.doc = withIds(tieToSource(brought.doc, source), newBlockId);
    draft.details = { ...draft.details, ...brought.details };
  } else if (!draft.details.title && title) draft.details = { ...draft.details, title };
}

/**
 * Reads a source of a piece again in another way: its bytes are the same, so it is another source in its place.
 * A page that still is what the first reading made of it follows. Throws a Complaint when it cannot be read so.
 */
export async function readAgain(id: string, sourceId: string, reading: Reading): Promise<void> {
  const row = await sourceOf(sourceId);
  const bytes = new Uint8Array(await bytesOf(row.digest));
  const again = async (way: Reading) => {
    const [one] = await gatherOne({ name: row.name, bytes, ...(row.address ? { address: row.address } : {}) }, way);
    return { ...one!, name: row.name };
  };
  const [before, after] = [await again(row.reading), await again(reading)];
  await write(async (writing) => {
    const piece = await lockPiece(writing, id);
    if (!piece) throw new Complaint(GONE);
    const here = and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, sourceId));
    const [held] = await writing.tx.select().from(pieceSources).where(here);
    if (!held || held.isOff) throw new Complaint('This source is no longer part of the piece.');
    await writing.update(pieceSources, { isOff: true }, here);
    const source = await addSource(writing, after);
    await writing.insert(pieceSources, { pieceId: id, sourceId: source, position: held.position, edits: [] });
    const draft = await draftOf(writing, piece);
    if (before.draft && postToMarkdown(draft.doc) === postToMarkdown(before.draft.doc)) draft.doc = emptyDoc();
    takeUp(draft, source, after);
    await writePiece(writing, piece, draft);
  });
}

async function sourceOf(id: string) {
  const db = await database();
  const [row] = await db.select().from(sources).where(eq(sources.id, id));
  if (!row) throw new Complaint('This source is no longer here.');
  return row;
}

/** What can be done with a source of a piece: take it off, put it back on, or move it before another place. */
export type SourceChange = { isOff?: boolean; position?: number };

/** Changes how a source stands in a piece. Throws a Complaint when it is not part of it. */
export async function changeSource(id: string, sourceId: string, { isOff, position }: SourceChange): Promise<void> {
  await write(async (writing) => {
    const piece = await lockPiece(writing, id);
    if (!piece) throw new Complaint(GONE);
    const own = await writing.tx.select().from(pieceSources).where(eq(pieceSources.pieceId, id)).orderBy(pieceSources.position);
    const one = own.find((row) => row.sourceId === sourceId);
    if (!one) throw new Complaint('This source is no longer part of the piece.');
    const change = (source: string, values: Partial<typeof one>) =>
      writing.update(pieceSources, values, and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, source)));
    if (isOff !== undefined) await change(sourceId, { isOff });
    if (position !== undefined) {
      const order = own.filter((row) => row !== one && !row.isOff);
      order.splice(Math.min(position, order.length), 0, one);
      for (const [n, row] of order.entries()) if (row.position !== n) await change(row.sourceId, { position: n });
    }
    await writePiece(writing, piece, await draftOf(writing, piece));
  });
}

/** Lets a source that is already here feed another piece. Throws a Complaint when either is gone. */
export async function useSource(id: string, sourceId: string): Promise<void> {
  const row = await sourceOf(sourceId);
  await write(async (writing) => {
    const piece = await lockPiece(writing, id);
    if (!piece) throw new Complaint(GONE);
    const here = and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, row.id));
    const [held] = await writing.tx.select().from(pieceSources).where(here);
    if (held) await writing.update(pieceSources, { isOff: false }, here);
    else await writing.insert(pieceSources, { pieceId: id, sourceId: row.id, position: await nextPosition(writing, id), edits: [] });
    await writePiece(writing, piece, await draftOf(writing, piece));
  });
}

const MOST_LISTED = 30;

/** Sources that are here already, the newest first, those whose name holds some words. */
export async function listSources(find: string) {
  const db = await database();
  return db
    .select({ id: sources.id, name: sources.name, kind: sources.kind, words: sources.words, createdAt: sources.createdAt })
    .from(sources)
    .where(find ? ilike(sources.name, `%${find.replace(/[\\%_]/g, '\\$&')}%`) : undefined)
    .orderBy(desc(sources.createdAt))
    .limit(MOST_LISTED);
}
