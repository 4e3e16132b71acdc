import { setImmediate as turn } from 'node:timers/promises';
import { and, desc, eq } from 'drizzle-orm';
import type { Details } from '@even-page/core/post/details';
import { docFromJSON } from '@even-page/core/post/schema';
import { type OwnPost, spokenOf, stretchesOf } from '@even-page/core/proof';
import { database } from './database.ts';
import { pieces, postings, versions } from './schema.ts';

// The newest of what is out; so many of them are looked through for what this piece is about.
const MOST_POSTS = 1000;
const MOST_READ = 100;

const aboutOf = (details: Details): string => details.brief?.phrase || details.title;

/** What the house has published besides a piece, and which of that speaks of what the piece is about, with the words that do. */
export async function ownPosts(pieceId: string): Promise<{ posts: OwnPost[]; speaking: { id: string; title: string; words: string }[] }> {
  const db = await database();
  const rows = await db
    .select({ id: pieces.id, title: pieces.title, address: postings.url, details: versions.details, version: versions.version })
    .from(postings)
    .innerJoin(pieces, eq(pieces.id, postings.pieceId))
    .innerJoin(versions, and(eq(versions.pieceId, pieces.id), eq(versions.version, pieces.version)))
    .orderBy(desc(postings.sentAt))
    .limit(MOST_POSTS);
  const [[own], others] = [rows.filter(({ id }) => id === pieceId), rows.filter(({ id }) => id !== pieceId)];
  const byPiece = [...new Map(others.map((row) => [row.id, row])).values()];
  const posts = byPiece.map(({ title, address, details }) => ({ title, address, about: aboutOf(details) }));
  if (!own) return { posts, speaking: [] };

  const here: OwnPost = { title: own.title, address: own.address, about: aboutOf(own.details) };
  const speaking = [];
  for (const { id, title, version } of byPiece.slice(0, MOST_READ)) {
    const [row] = await db
      .select({ doc: versions.doc })
      .from(versions)
      .where(and(eq(versions.pieceId, id), eq(versions.version, version)));
    const [found] = row ? spokenOf(stretchesOf(docFromJSON(row.doc)), [here]) : [];
    if (found) speaking.push({ id, title, words: found.stretch.text.slice(found.from, found.to) });
    await turn();
  }
  return { posts, speaking };
}
