import type { IncomingMessage } from 'node:http';
import { eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { addressInCode, oembedAddress, readOembed } from '@even-page/core/dress';
import { mediaType } from '@even-page/core/gather';
import { withoutStretch } from '@even-page/core/post/media-fragment';
import { database, write } from './database.ts';
import { fetchAddress, firstBytes, streamAddress } from './fetch-address.ts';
import type { Person } from './person.ts';
import { addPicture } from './pictures.ts';
import { clips } from './schema.ts';

/** A clip as its host, or its file, was found. */
export type FoundClip = typeof clips.$inferSelect;

const NO_CLIP =
  'Nothing at this address can be played here: it is neither a media file nor a page that offers its clip for embedding (oEmbed). You can link to it instead.';

/**
 * Looks a clip up by its address, or by embed code that names one, and keeps what is found: a media file, or the player that
 * the page's host offers. Throws a Complaint when there is none, or nobody answers.
 */
export async function lookUpClip(person: Person, given: string): Promise<FoundClip> {
  const address = withoutStretch(addressInCode(given) ?? given.trim());
  const found = await lookedUp(person, address);
  const row = { address, ...found, lookedAt: new Date(), lookedBy: person.id };
  await write(person, async (writing) => {
    if (!(await writing.insertOnce(clips, row))) await writing.update(clips, row, eq(clips.address, address));
  });
  const db = await database();
  return (await db.select().from(clips).where(eq(clips.address, address)))[0]!;
}

type Found = Omit<FoundClip, 'address' | 'lookedAt' | 'lookedBy'>;

async function lookedUp(person: Person, address: string): Promise<Found> {
  const start = await firstBytes(address);
  const media = mediaType(start.bytes);
  const nothing = { author: '', provider: '', width: 0, height: 0, still: '' };
  if (media) return { ...nothing, kind: media.isVideo ? 'video' : 'audio', player: start.address, title: start.name };
  if (!start.isPage) throw new Complaint(NO_CLIP);
  const page = await fetchAddress(address);
  const offered = oembedAddress(new TextDecoder().decode(page.bytes), page.address ?? address);
  const hosted = offered ? readOembed(json((await fetchAddress(offered)).bytes), page.address ?? address) : null;
  if (!hosted) throw new Complaint(NO_CLIP);
  return { ...hosted, kind: 'frame', title: hosted.title || start.name, still: await stillOf(person, hosted.still, hosted.title) };
}

function json(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}

/** The host's still as a picture here; none when it cannot be had, for a clip is well without. */
async function stillOf(person: Person, address: string, title: string): Promise<string> {
  if (!address) return '';
  try {
    const { name, bytes } = await fetchAddress(address);
    return (await addPicture(person, { name, bytes, alt: title })).src;
  } catch (cause) {
    if (cause instanceof Complaint) return '';
    throw cause;
  }
}

/** The media file of a clip, or a range of it, from where it stands. Throws a Complaint when the clip was never looked up, or is no media file. */
export async function mediaStream(address: string, range: string | null): Promise<IncomingMessage> {
  const db = await database();
  const [clip] = await db.select().from(clips).where(eq(clips.address, address));
  if (!clip || clip.kind === 'frame') throw new Complaint(NO_CLIP);
  return streamAddress(clip.player, range);
}
