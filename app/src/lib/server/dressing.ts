import { eq, inArray } from 'drizzle-orm';
import { withoutStretch } from '@even-page/core/post/media-fragment';
import type { Dress, DressedClip, DressedPicture } from '@even-page/core/post/dress';
import { clipsOf, shownPictures } from '@even-page/core/post/pictures';
import type { PostNode } from '@even-page/core/post/schema';
import { database } from './database.ts';
import { readHouse } from './house-style.ts';
import { dressedPicture, type Placed } from './pictures.ts';
import { clips, sources } from './schema.ts';

/** How the files of a page get to where it goes: those made of pictures, and recordings with their captions. */
export type Places = {
  picture(alt: string): Placed;
  recording(digest: string, type: string, title: string): Promise<string>;
  captions(source: string, title: string): Promise<string>;
};

const RECORDING = /^\/recordings\/([0-9a-f]{64})$/;

/** All that is known of the pictures and clips a page names, by their addresses where it goes. Throws a Complaint when a picture is not here. */
export async function dressFor(doc: PostNode, places: Places): Promise<Dress> {
  const pictures = new Map<string, DressedPicture | null>();
  for (const { src, alt, fileName, shape } of shownPictures(doc))
    pictures.set(`${shape} ${src}`, await dressedPicture(src, shape, places.picture(fileName || alt)));
  const played = new Map<string, DressedClip>();
  for (const { address, title } of clipsOf(doc)) {
    const dressed = await dressedClip(address, title, places);
    if (dressed) played.set(address, dressed);
  }
  return {
    picture: (src, shape) => pictures.get(`${shape} ${src}`) ?? null,
    clip: (address) => played.get(address) ?? null,
    paid: (await readHouse()).paid,
  };
}

async function dressedClip(address: string, title: string, places: Places): Promise<DressedClip | null> {
  const db = await database();
  const digest = RECORDING.exec(address)?.[1];
  if (digest) {
    const [source] = await db.select().from(sources).where(eq(sources.digest, digest)).limit(1);
    if (!source?.recording) return null;
    const { type, isVideo } = source.recording;
    return {
      kind: isVideo ? 'video' : 'audio',
      address: await places.recording(digest, type, title),
      ...{ width: 0, height: 0 },
      captions: source.passages.some((p) => p.startMs !== undefined) ? await places.captions(source.id, title) : '',
    };
  }
  const [known] = await db
    .select()
    .from(clips)
    .where(eq(clips.address, withoutStretch(address)));
  if (!known) return null;
  const { kind, player, width, height } = known;
  return { kind, address: player, width, height, captions: '' };
}

/** What the hosts of some clips said of them. */
export async function clipsAt(addresses: readonly string[]) {
  if (!addresses.length) return [];
  const db = await database();
  return db
    .select()
    .from(clips)
    .where(inArray(clips.address, addresses.map(withoutStretch)));
}
