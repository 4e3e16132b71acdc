import { desc, eq, sql } from 'drizzle-orm';
import { string, type InferType } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { type Idea, ideasAsTable, ideaSchema, ideasFromTable } from '@even-page/core/write';
import { createPiece } from './bring-in.ts';
import { database, write } from './database.ts';
import type { Person } from './person.ts';
import { ideas, pieces, postings } from './schema.ts';

/** An idea as it is sent: with the moment it was typed, which may lie back a while. */
export const sentIdeaSchema = ideaSchema.shape({
  createdAt: string().matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{1,3})?Z$/, 'The time of this idea does not fit.'),
});

/** The ideas, the newest first: each with the piece that was begun from it, and since when that is out. */
export async function listIdeas() {
  const db = await database();
  const published = db
    .select({ pieceId: postings.pieceId, sentAt: sql<string>`min(${postings.sentAt})`.as('sent_at') })
    .from(postings)
    .groupBy(postings.pieceId)
    .as('published');
  const rows = await db
    .select({ idea: ideas, title: pieces.title, sentAt: published.sentAt })
    .from(ideas)
    .leftJoin(pieces, eq(ideas.pieceId, pieces.id))
    .leftJoin(published, eq(published.pieceId, ideas.pieceId))
    .orderBy(desc(ideas.createdAt), desc(ideas.id));
  return rows.map(({ idea: { createdBy: _, ...idea }, title, sentAt }) => ({
    ...idea,
    title,
    publishedAt: sentAt === null ? null : new Date(sentAt),
  }));
}

/** The titles of what the house has written, or is at. */
export async function writtenTitles(): Promise<string[]> {
  const db = await database();
  const rows = await db.select({ title: pieces.title }).from(pieces).orderBy(desc(pieces.touchedAt)).limit(5000);
  return rows.map((row) => row.title).filter(Boolean);
}

/** Keeps an idea under its id: new, or changed. One sent twice is there once. */
export async function keepIdea(person: Person, id: string, { createdAt, ...idea }: InferType<typeof sentIdeaSchema>): Promise<void> {
  await write(person, async (writing) => {
    const isNew = await writing.insertOnce(ideas, {
      id,
      ...idea,
      createdAt: createdAt ? new Date(createdAt) : new Date(),
      createdBy: person.id,
    });
    if (!isNew) await writing.update(ideas, idea, eq(ideas.id, id));
  });
}

/** Takes an idea out. */
export const removeIdea = (person: Person, id: string): Promise<void> =>
  write(person, (writing) => writing.delete(ideas, eq(ideas.id, id)));

/** Begins a piece from an idea; one that was begun already is that piece. Null when the idea is not there. */
export async function startPiece(person: Person, id: string): Promise<string | null> {
  const db = await database();
  const [idea] = await db.select().from(ideas).where(eq(ideas.id, id));
  if (!idea) return null;
  if (idea.pieceId) return idea.pieceId;
  const notes = [idea.notes, ...idea.links, ...idea.pictures.map((src) => `![](${src})`)].filter(Boolean).join('\n\n');
  const materials = notes ? [{ name: 'Notes to the idea.txt', bytes: new TextEncoder().encode(notes) }] : [];
  return createPiece(person, materials, idea.line, (writing, pieceId) => writing.update(ideas, { pieceId }, eq(ideas.id, id)));
}

/** Takes in the ideas of a table. Throws a Complaint when it holds none. */
export async function ideasIn(person: Person, text: string): Promise<{ taken: number; left: string[] }> {
  const { ideas: found, left } = ideasFromTable(text);
  if (!found.length) throw new Complaint(left[0] ?? 'There is no idea in this table: one a row, with a first row that names the columns.');
  const now = Date.now();
  await write(person, async (writing) => {
    // One behind the other, so that they stand in the order of the table.
    for (const [n, idea] of found.entries())
      await writing.insert(ideas, { id: crypto.randomUUID(), ...(idea as Idea), createdAt: new Date(now - n), createdBy: person.id });
  });
  return { taken: found.length, left };
}

/** All ideas as a table. */
export async function ideasOut(): Promise<string> {
  return ideasAsTable((await listIdeas()).map((idea) => ({ ...idea, written: idea.title ?? '' })));
}
