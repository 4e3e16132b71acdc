import { eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { captionFile } from '@even-page/core/dress';
import { database } from './database.ts';
import { sources } from './schema.ts';

/** The words of a recording as captions (WebVTT). Throws a Complaint when it is not here. */
export async function captionsOf(sourceId: string): Promise<string> {
  const db = await database();
  const [source] = await db.select({ passages: sources.passages }).from(sources).where(eq(sources.id, sourceId));
  if (!source) throw new Complaint('This recording is no longer here.');
  return captionFile(source.passages);
}
