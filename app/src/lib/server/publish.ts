import { and, eq, type SQL } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { pictureFileName } from '@even-page/core/dress';
import type { Details } from '@even-page/core/post/details';
import { docFromJSON, type PostNode } from '@even-page/core/post/schema';
import {
  createMessage,
  type Edition,
  findListed,
  isPostList,
  isWebAddress,
  type Message,
  outcomeOf,
  type SendOutcome,
  updateMessage,
} from '@even-page/core/send';
import { pictureId } from '$lib/picture-address.ts';
import { captionsOf } from './captions.ts';
import { database, write } from './database.ts';
import { dressFor } from './dressing.ts';
import type { Database } from './engine.ts';
import { bytesOf, keep } from './files.ts';
import { NoAnswer, patience, post, query, Unreached, upload, type Endpoint } from './micropub-client.ts';
import type { Person } from './person.ts';
import { filesFor, type Placed, readPicture, variantBytes } from './pictures.ts';
import { readVersion, refreshDeskRow, standingOf } from './pieces.ts';
import { outlets, postings, sendings, sentPictures } from './schema.ts';
import { unseal } from './secrets.ts';

type Outlet = Endpoint & { id: string; mediaEndpoint: string | null };
type Post = { details: Details; doc: PostNode };

/** Where a piece went: its address, and whether this was the first time. */
export type Posted = { url: string; first: boolean; sentAt: Date; version: number };

/** That a sending may have arrived and the outlet cannot be asked: the writer has to look. */
export class Unsure extends Complaint {}

/** What the writer saw at the outlet: the address where the post stands, or that it is not there (null). */
export type Seen = { address: string | null };

/**
 * Publishes a piece at an outlet, or sends its changes if it stands there already; one sending at a time. A first
 * sending is noted before it goes out: where its end is not known, the next looks for it at the outlet before anything is
 * sent twice. Throws a Complaint when something must be fixed first, or the outlet did not take it; Unsure when only the
 * writer can tell, who then says what was `seen`.
 */
export async function publish(person: Person, pieceId: string, outletId: string, seen?: Seen): Promise<Posted> {
  const db = await database();
  const found = await standingOf(db, pieceId);
  const [row] = await db.select().from(outlets).where(eq(outlets.id, outletId));
  if (!found || !row) throw new Complaint('This piece or this outlet is no longer here: go back to the Desk.');
  const outlet: Outlet = { ...row, token: unseal(row.token) };
  const { details, doc: json, version } = found.standing;
  const local = docFromJSON(json);
  if (!details.title.trim()) throw new Complaint('The post has no title. Write one at the top of the page. Then send it.');

  const place: SendingPlace = { person, pieceId, outlet, here: and(eq(sendings.pieceId, pieceId), eq(sendings.outletId, outletId)) };
  const earlier = await begin(place, version);
  // Whether the post may stand there without anybody here knowing its address.
  let mayStand = earlier !== null;
  let isSent = false;
  try {
    const here = and(eq(postings.pieceId, pieceId), eq(postings.outletId, outletId));
    const [posting] = await db.select().from(postings).where(here);
    const stands = posting?.url ?? (earlier === null ? null : await standsAt(outlet, await versionOf(pieceId, earlier), seen));
    mayStand &&= stands !== null;
    const edition = await editionAt(db, place, { details, doc: local });
    await hold(place, version);
    if (stands === null) mayStand = true;
    isSent = true;
    const outcome = await outcomeAt(outlet, stands ? updateMessage(stands, edition) : createMessage(edition), stands);
    if ('refused' in outcome) {
      if (stands === null) mayStand = false;
      throw new Complaint(
        `The outlet did not take the post: ${outcome.refused}. Your post is safe here; check the outlet, then send again.`,
      );
    }
    if ('unknown' in outcome)
      throw new Complaint(
        `${outlet.name} may have the post: ${outcome.unknown}. Your post is safe here. The next sending looks first whether it is there, so that it does not stand there twice.`,
      );
    const sent = { url: outcome.arrived, version, sentAt: new Date(), sentBy: person.id };
    await write(person, async (writing) => {
      if (!(await writing.insertOnce(postings, { pieceId, outletId, ...sent }))) await writing.update(postings, sent, here);
      await writing.update(sendings, { isOver: true }, place.here);
      await refreshDeskRow(writing, pieceId);
    });
    return { url: sent.url, first: !posting, sentAt: sent.sentAt, version };
  } catch (cause) {
    if (cause instanceof Unreached) mayStand = earlier !== null;
    await end(place, mayStand, isSent);
    throw cause;
  }
}

/** A piece at an outlet, its row among the sendings, and who sends. */
type SendingPlace = { person: Person; pieceId: string; outlet: Outlet; here: SQL | undefined };

/**
 * Notes that a sending begins. Returns the version of an earlier one whose end is not known, or null. Throws a Complaint while
 * another is on its way.
 */
function begin({ person, pieceId, outlet, here }: SendingPlace, version: number): Promise<number | null> {
  return write(person, async (writing) => {
    const now = new Date();
    const own = { version, heldUntil: soon(), isOver: false, startedAt: now, startedBy: person.id };
    if (await writing.insertOnce(sendings, { pieceId, outletId: outlet.id, ...own })) return null;
    const [before] = await writing.tx.select().from(sendings).where(here).for('update');
    if (!before!.isOver && before!.heldUntil > now) {
      const seconds = Math.ceil((before!.heldUntil.getTime() - now.getTime()) / 1000);
      throw new Complaint(
        `This piece was sent to ${outlet.name} and no answer has come yet. Nothing is sent twice: try again in ${seconds === 1 ? '1 second' : `${seconds} seconds`}.`,
      );
    }
    // The version to look for stays that of the earlier one until it was looked for.
    await writing.update(sendings, before!.isOver ? own : { heldUntil: soon() }, here);
    return before!.isOver ? null : before!.version;
  });
}

/** Keeps the place for one more question to the outlet; from now on `version` is what may have arrived. */
async function hold({ person, here }: SendingPlace, version?: number): Promise<void> {
  await write(person, (writing) => writing.update(sendings, { heldUntil: soon(), ...(version === undefined ? {} : { version }) }, here));
}

/** Gives the place free; where something was sent and may stand there after all, when a slow outlet has had its time. */
async function end({ person, here }: SendingPlace, mayStand: boolean, isSent: boolean): Promise<void> {
  const heldUntil = new Date(Date.now() + (isSent ? patience() : 0));
  await write(person, (writing) => writing.update(sendings, mayStand ? { heldUntil } : { isOver: true }, here));
}

async function outcomeAt(outlet: Outlet, message: Message, stands: string | null): Promise<SendOutcome> {
  try {
    return outcomeOf(await post(outlet, message), stands ?? undefined);
  } catch (cause) {
    if (!(cause instanceof NoAnswer)) throw cause;
    const says = `no answer came in ${Math.round(patience() / 1000)} seconds`;
    return stands ? { refused: says } : { unknown: says };
  }
}

// While an answer is waited for, and a little longer.
const soon = (): Date => new Date(Date.now() + patience() + 5000);

async function versionOf(pieceId: string, version: number): Promise<Post | null> {
  const found = await readVersion(pieceId, version);
  return found && { details: found.details, doc: docFromJSON(found.doc) };
}

/**
 * Where a post of which nobody knows stands at an outlet; null when it is not there. Throws Unsure when the outlet cannot be
 * asked and the writer has not looked.
 */
async function standsAt(outlet: Outlet, sent: Post | null, seen: Seen | undefined): Promise<string | null> {
  if (seen?.address && !isWebAddress(seen.address)) throw new Complaint('The address of a post begins with https:// or http://.');
  if (seen) return seen.address;
  const { status, body } = await query(outlet, 'source');
  if (status === 200 && isPostList(body) && sent) return findListed(body, await editionHere(sent));
  throw new Unsure(
    `An earlier sending to ${outlet.name} got no clear answer, and this outlet cannot be asked what it has. Open it and look whether the post is there.`,
  );
}

/** The post as it goes to the outlet, with the outlet's own address on every file; those it does not have yet are sent first. */
async function editionAt(db: Database, place: SendingPlace, { details, doc }: Post): Promise<Edition> {
  const picture =
    (words: string): Placed =>
    (file) =>
      sentFile(db, place, { digest: file.digest, name: pictureFileName(words, extensionOf(file.format)), type: file.format }, () =>
        variantBytes(file),
      );
  const dress = await dressFor(doc, {
    picture,
    recording: (digest, type, title) =>
      sentFile(db, place, { digest, name: pictureFileName(title || 'clip', extensionOf(type)), type }, () => bytesOf(digest)),
    captions: async (source, title) => {
      const bytes = new TextEncoder().encode(await captionsOf(source));
      const file = { digest: await keep(bytes), name: pictureFileName(title || 'captions', 'vtt'), type: 'text/vtt' };
      return sentFile(db, place, file, () => Promise.resolve(Buffer.from(bytes)));
    },
  });
  return { details, doc, dress, cover: await coverAt(details, picture) };
}

async function coverAt({ cover, title }: Details, picture: (words: string) => Placed): Promise<Edition['cover']> {
  const id = cover && pictureId(cover);
  if (!id) return null;
  const { alt } = await readPicture(id);
  const files = await filesFor(id, 'cover');
  // Of the two files the one that every program reads that shows share pictures.
  return { address: await picture(alt || title)(files.find((f) => f.format === 'image/jpeg') ?? files[0]!), alt };
}

/** The post with its files where they are here: for what only its words are needed of. */
const editionHere = async ({ details, doc }: Post): Promise<Edition> => {
  const here = (address: string) => Promise.resolve(address);
  const dress = await dressFor(doc, {
    picture: () => (file) => here(`/pictures/${file.pictureId}?as=${file.purpose}`),
    recording: (digest) => here(`/recordings/${digest}`),
    captions: (source) => here(`/sources/${source}/captions`),
  });
  return { details, doc, dress, cover: null };
};

const EXTENSIONS: Record<string, string> = {
  ...{ 'image/jpeg': 'jpg', 'image/svg+xml': 'svg', 'audio/mpeg': 'mp3', 'audio/mp4': 'm4a', 'audio/ogg': 'ogg' },
  'video/quicktime': 'mov',
};
const extensionOf = (type: string): string => EXTENSIONS[type] ?? /\/(?:x-)?([a-z0-9]+)/.exec(type)?.[1] ?? 'bin';

/** A file on its way to an outlet: its digest, the name it gets there, its media type. */
type SentFile = { digest: string; name: string; type: string };

async function sentFile(
  db: Database,
  place: SendingPlace,
  { digest, name, type }: SentFile,
  bytes: () => Promise<Buffer>,
): Promise<string> {
  const { person, outlet } = place;
  const [known] = await db
    .select()
    .from(sentPictures)
    .where(and(eq(sentPictures.outletId, outlet.id), eq(sentPictures.digest, digest)));
  if (known) return known.url;
  if (!outlet.mediaEndpoint) throw new Complaint(`${outlet.name} takes no pictures and clips: take them out, or choose another outlet.`);
  await hold(place);
  const { status, location } = await upload(outlet, outlet.mediaEndpoint, name, type, await bytes());
  if (status !== 201 || location === null || !isWebAddress(location)) {
    throw new Complaint(`${outlet.name} did not take the file ${name} (status ${status}). Nothing was published; send again.`);
  }
  await write(person, (writing) => writing.insertOnce(sentPictures, { outletId: outlet.id, digest, url: location }));
  return location;
}
