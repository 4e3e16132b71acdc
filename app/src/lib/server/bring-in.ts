import { randomUUID } from 'node:crypto';
import { and, desc, eq, ilike, sql } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { durationMs, type Reading } from '@even-page/core/gather';
import { shortened } from '@even-page/core/language/storable';
import { emptyDetails } from '@even-page/core/post/details';
import type { Draft } from '@even-page/core/post/merge';
import { withIds } from '@even-page/core/post/ids';
import { postToMarkdown } from '@even-page/core/post/markdown';
import { tieToSource } from '@even-page/core/post/origins';
import { emptyDoc } from '@even-page/core/post/schema';
import { newBlockId } from '$lib/block-id.ts';
import { database, write } from './database.ts';
import { bytesOf, keep } from './files.ts';
import { readHouse } from './house-style.ts';
import { keepPictures, type WithPictures } from './kept-pictures.ts';
import { lookOver } from './looking-through.ts';
import { figuresAlone } from './looks.ts';
import { changePage, deskRow, GONE, lockPiece, NOTHING_AROUND, refreshDeskRow, stored, writePiece } from './pieces.ts';
import { readFile } from './reader.ts';
import type { Person } from './person.ts';
import { pieces, pieceSources, sources, versions } from './schema.ts';
import type { Writing } from './writing.ts';

/** One file or paste as it came in; the web address it was fetched from, if it was. */
export type Material = { name: string; bytes: Uint8Array; address?: string };

/** A file as it was read, ready to be a source of this id. */
type Gathered = WithPictures & { id: string; digest: string; words: number; reading: Reading; address?: string };

const MOST_NAME = 255;

export const NOTHING_CAME = 'No file came with this request. Nothing was changed; choose one and try again.';

/**
 * Makes a piece of material; without any it starts empty. Throws a Complaint, and makes nothing, when a file
 * cannot be read.
 * @param title what it is called from the start
 * @param also what is written together with it
 */
export async function createPiece(
  person: Person,
  materials: readonly Material[],
  title = '',
  also: (writing: Writing, id: string) => Promise<void> = async () => undefined,
): Promise<string> {
  const gathered = await gatherAll(person, materials);
  const { byline } = await readHouse();
  const empty = { doc: emptyDoc(), details: { ...emptyDetails(), title, ...(byline ? { byline } : {}) } };
  const draft = takenUp(empty, gathered);
  const looks = await lookOver(draft);
  return write(person, async (writing) => {
    const piece = await writing.insert(pieces, {
      ...deskRow(empty.details, figuresAlone(empty.doc), NOTHING_AROUND),
      version: 1,
      touchedBy: person.id,
    });
    await writing.insert(versions, { pieceId: piece.id, version: 1, ...stored(empty), savedBy: person.id });
    if (gathered.length) {
      await addSources(writing, piece.id, gathered);
      await writePiece(writing, piece, stored(draft), looks);
    }
    await also(writing, piece.id);
    return piece.id;
  });
}

/** Adds material to a piece. An empty page takes up the first draft among it. Throws a Complaint like `createPiece`, and when there is none. */
export async function addMaterial(person: Person, id: string, materials: readonly Material[]): Promise<void> {
  if (!materials.length) throw new Complaint(NOTHING_CAME);
  const gathered = await gatherAll(person, materials);
  await changePage(
    person,
    id,
    (draft) => takenUp(draft, gathered),
    (writing) => addSources(writing, id, gathered),
  );
}

async function gatherAll(person: Person, materials: readonly Material[]): Promise<Gathered[]> {
  const all: Gathered[] = [];
  for (const material of materials) all.push(...(await gatherOne(person, material, 'structure')));
  return all;
}

async function gatherOne(person: Person, { name, bytes, address }: Material, reading: Reading): Promise<Gathered[]> {
  try {
    const files = await readFile({ bytes, name, reading, ...(address ? { address } : {}) });
    const kept: Gathered[] = [];
    for (const file of files) {
      const digest = await keep(file.bytes);
      kept.push({
        ...(await keepPictures(person, file)),
        id: randomUUID(),
        digest,
        words: file.words,
        reading,
        ...(address ? { address } : {}),
      });
    }
    return kept;
  } catch (cause) {
    if (cause instanceof Complaint && name) throw new Complaint(`${name}: ${cause.message}`, { cause });
    throw cause;
  }
}

async function addSources(writing: Writing, id: string, gathered: readonly Gathered[]) {
  let position = await nextPosition(writing, id);
  for (const one of gathered) {
    await addSource(writing, one);
    await writing.insert(pieceSources, { pieceId: id, sourceId: one.id, position: position++, edits: [] });
  }
}

/** The place after the last source of a piece. */
export async function nextPosition({ tx }: Writing, id: string): Promise<number> {
  const [row] = await tx
    .select({ last: sql<number>`max(${pieceSources.position})::int` })
    .from(pieceSources)
    .where(eq(pieceSources.pieceId, id));
  return (row?.last ?? -1) + 1;
}

async function addSource(writing: Writing, { id, name, digest, bytes, source, words, reading, notes, address }: Gathered): Promise<void> {
  await writing.insert(sources, {
    id,
    digest,
    bytes: bytes.length,
    name: shortened(name, MOST_NAME) || source.title || 'Pasted words',
    kind: source.kind,
    reading,
    notes,
    address: address ?? null,
    title: source.title ?? null,
    passages: source.passages,
    words,
    durationMs: durationMs(source),
    createdBy: writing.person.id,
  });
}

/** An empty page takes up the first draft that was brought; one without a title, the title. */
function takenUp(draft: Draft, gathered: readonly Gathered[]): Draft {
  let { doc, details } = draft;
  for (const { id, draft: brought, source } of gathered) {
    if (brought && !doc.textContent && !doc.firstChild?.isAtom) {
      doc = withIds(tieToSource(brought.doc, id), newBlockId);
      details = { ...details, ...brought.details };
    } else if (!details.title && source.title) details = { ...details, title: source.title };
  }
  return { doc, details };
}

/**
 * Reads a source of a piece again in another way: its bytes are the same, so it is another source in its place.
 * A page that still is what the first reading made of it follows. Throws a Complaint when it cannot be read so.
 */
export async function readAgain(person: Person, id: string, sourceId: string, reading: Reading): Promise<void> {
  const row = await sourceOf(sourceId);
  const bytes = new Uint8Array(await bytesOf(row.digest));
  const again = async (way: Reading) => {
    const [one] = await gatherOne(person, { name: row.name, bytes, ...(row.address ? { address: row.address } : {}) }, way);
    return { ...one!, name: row.name };
  };
  const [before, after] = [await again(row.reading), await again(reading)];
  await changePage(
    person,
    id,
    ({ doc, details }) => {
      const isAsRead = before.draft && postToMarkdown(doc) === postToMarkdown(before.draft.doc);
      return takenUp({ doc: isAsRead ? emptyDoc() : doc, details }, [after]);
    },
    async (writing) => {
      const here = and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, sourceId));
      const [held] = await writing.tx.select().from(pieceSources).where(here);
      if (!held || held.isOff) throw new Complaint('This source is no longer part of the piece.');
      await writing.update(pieceSources, { isOff: true }, here);
      await addSource(writing, after);
      await writing.insert(pieceSources, { pieceId: id, sourceId: after.id, position: held.position, edits: [] });
    },
  );
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
export async function changeSource(person: Person, id: string, sourceId: string, { isOff, position }: SourceChange): Promise<void> {
  await write(person, async (writing) => {
    if (!(await lockPiece(writing, id))) throw new Complaint(GONE);
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
    await refreshDeskRow(writing, id);
  });
}

/** Lets a source that is already here feed another piece. Throws a Complaint when either is gone. */
export async function useSource(person: Person, id: string, sourceId: string): Promise<void> {
  const row = await sourceOf(sourceId);
  await write(person, async (writing) => {
    if (!(await lockPiece(writing, id))) throw new Complaint(GONE);
    const here = and(eq(pieceSources.pieceId, id), eq(pieceSources.sourceId, row.id));
    const [held] = await writing.tx.select().from(pieceSources).where(here);
    if (held) await writing.update(pieceSources, { isOff: false }, here);
    else await writing.insert(pieceSources, { pieceId: id, sourceId: row.id, position: await nextPosition(writing, id), edits: [] });
    await refreshDeskRow(writing, id);
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
