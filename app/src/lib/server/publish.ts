import { and, eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { pictureFileName } from '@even-page/core/dress/picture-files';
import { mapPictures, picturesOf } from '@even-page/core/post/pictures';
import { docFromJSON, type PostNode } from '@even-page/core/post/schema';
import { proof } from '@even-page/core/proof/checks';
import { createMessage, publishedAddress, updateMessage } from '@even-page/core/send/micropub';
import { ACTOR } from './actor.ts';
import { database, write, type Database } from './database.ts';
import { post, upload } from './micropub-client.ts';
import { pictureBytes } from './pictures.ts';
import { refreshFace, standingOf } from './pieces.ts';
import { outlets, postings, sentPictures } from './schema.ts';

type Outlet = typeof outlets.$inferSelect;

/** Where a piece went: its address, and whether this was the first time. */
export type Published = { url: string; first: boolean; sentAt: Date; version: number };

/**
 * Publishes a piece at an outlet, or sends its changes if it stands there already. Throws a Complaint when
 * something must be fixed first, or the outlet did not take it; nothing is recorded then.
 */
export async function publish(pieceId: string, outletId: string): Promise<Published> {
  const db = await database();
  const found = await standingOf(db, pieceId);
  const [outlet] = await db.select().from(outlets).where(eq(outlets.id, outletId));
  if (!found || !outlet) throw new Complaint('This piece or this outlet is no longer here: go back to the Desk.');
  const { details, doc: json, version } = found.standing;
  const local = docFromJSON(json);
  const must = proof({ doc: local, details }).find((f) => f.gravity === 'must');
  if (must) throw new Complaint(`${must.says}. ${must.hint} Then send it.`);

  const here = and(eq(postings.pieceId, pieceId), eq(postings.outletId, outletId));
  const [posting] = await db.select().from(postings).where(here);
  const doc = await withPicturesSent(db, outlet, local);
  const message = posting ? updateMessage(posting.url, details, doc) : createMessage(details, doc);
  const url = publishedAddress(await post(outlet, message), posting?.url);
  const sent = { url, version, sentAt: new Date(), sentBy: ACTOR };
  await write(async (writing) => {
    if (posting) await writing.update(postings, sent, here);
    else await writing.insert(postings, { pieceId, outletId, ...sent });
    await refreshFace(writing, pieceId);
  });
  return { url, first: !posting, sentAt: sent.sentAt, version: sent.version };
}

/** The page with the outlet's own address on every picture; those it does not have yet are sent first. */
async function withPicturesSent(db: Database, outlet: Outlet, doc: PostNode): Promise<PostNode> {
  const addresses = new Map<string, string>();
  for (const { src, alt } of picturesOf(doc)) {
    const digest = /^\/pictures\/([0-9a-f]{64})\.webp$/.exec(src)?.[1];
    if (digest && !addresses.has(src)) addresses.set(src, await sentPicture(db, outlet, digest, alt));
  }
  return mapPictures(doc, (src) => addresses.get(src) ?? src);
}

async function sentPicture(db: Database, outlet: Outlet, digest: string, alt: string): Promise<string> {
  const [known] = await db
    .select()
    .from(sentPictures)
    .where(and(eq(sentPictures.outletId, outlet.id), eq(sentPictures.digest, digest)));
  if (known) return known.url;
  if (!outlet.mediaEndpoint) throw new Complaint(`${outlet.name} takes no pictures: take them out, or choose another outlet.`);
  const picture = await pictureBytes(digest);
  if (!picture) throw new Complaint('A picture on the page is no longer here: put it in again, then send.');
  const answer = await upload(outlet, outlet.mediaEndpoint, pictureFileName(alt, 'webp'), picture.type, picture.bytes);
  if (answer.status !== 201 || !answer.location) {
    throw new Complaint(`${outlet.name} did not take the picture “${alt}” (status ${answer.status}). Nothing was published; send again.`);
  }
  await write((writing) => writing.insert(sentPictures, { outletId: outlet.id, digest, url: answer.location! }));
  return answer.location;
}
