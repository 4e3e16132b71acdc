import { eq } from 'drizzle-orm';
import { database, write } from './database.ts';
import { bytesOf, keep } from './files.ts';
import { Helper } from './helper.ts';
import type { Person } from './person.ts';
import { pictures } from './schema.ts';

/** A picture as it came, and the lighter one made of it: turned upright, at most 1,600 pixels wide, without the camera's notes. */
export type Original = { name: string; bytes: Uint8Array };
export type Lightened = { bytes: Uint8Array; width: number; height: number };

const TOO_MUCH = 'This picture takes more work to show than there is time for: save it as a PNG where it was made, then bring that in.';

const lightener = new Helper<Original, Lightened>(
  'pictures',
  {
    mostMs: 12_000,
    mostMb: 1500,
    tooLong: TOO_MUCH,
    tooLarge: TOO_MUCH,
    broken: 'This file is not a picture that can be shown: use a JPEG, PNG, WebP, GIF or AVIF file.',
  },
  2,
);

/** A picture ready for the page: its address here, its size in pixels and its weight in bytes. */
export type Picture = { src: string; width: number; height: number; bytes: number; originalBytes: number; name: string };

const show = (p: typeof pictures.$inferSelect): Picture => ({
  src: `/pictures/${p.digest}.webp`,
  width: p.width,
  height: p.height,
  bytes: p.bytes,
  originalBytes: p.originalBytes,
  name: p.name,
});

/** Keeps a picture as it came, and the lighter one that goes onto the page. Throws a Complaint when the bytes are no picture. */
export async function addPicture(person: Person, name: string, original: Uint8Array): Promise<Picture> {
  const light = await lightener.ask({ name, bytes: original });
  const digest = await keep(light.bytes);
  const row = {
    digest,
    name,
    type: 'image/webp',
    width: light.width,
    height: light.height,
    bytes: light.bytes.length,
    original: await keep(original),
    originalBytes: original.length,
  };
  await write(person, (writing) => writing.insertOnce(pictures, row));
  const db = await database();
  const [kept] = await db.select().from(pictures).where(eq(pictures.digest, digest));
  return show(kept!);
}

/** The bytes of a picture on a page and their type; null when there is none of that digest. */
export async function pictureBytes(digest: string): Promise<{ type: string; bytes: Buffer } | null> {
  const db = await database();
  const [row] = await db.select().from(pictures).where(eq(pictures.digest, digest));
  return row ? { type: row.type, bytes: await bytesOf(digest) } : null;
}
