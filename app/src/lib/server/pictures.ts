import { eq } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { database, write } from './database.ts';
import { bytesOf, keep } from './files.ts';
import { pictures } from './schema.ts';

// As wide as the widest page shows it on a dense screen; WebP at 72 (common practice, no source).
const WIDEST = 1600;
const QUALITY = 72;
const FORMATS = new Set(['jpeg', 'png', 'webp', 'gif', 'heif', 'tiff', 'svg']);

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

/**
 * Keeps a picture as it came, and makes the lighter one that goes onto the page: turned upright, at most 1,600
 * pixels wide, without the camera's notes. Throws a Complaint when the bytes are no picture.
 */
export async function addPicture(name: string, original: Uint8Array): Promise<Picture> {
  const light = await lighten(name, original);
  const digest = await keep(light.data);
  const row = {
    digest,
    name,
    type: 'image/webp',
    width: light.info.width,
    height: light.info.height,
    bytes: light.data.length,
    original: await keep(original),
    originalBytes: original.length,
  };
  await write((writing) => writing.insertOnce(pictures, row));
  const db = await database();
  const [kept] = await db.select().from(pictures).where(eq(pictures.digest, digest));
  return show(kept!);
}

async function lighten(name: string, bytes: Uint8Array) {
  // Loaded with the first picture: the application starts a fifth of a second sooner without it.
  const { default: sharp } = await import('sharp');
  try {
    const picture = sharp(bytes, { limitInputPixels: 100_000_000 });
    const { format } = await picture.metadata();
    if (!FORMATS.has(format)) throw new Error(`not a picture: ${format}`);
    return await picture
      .rotate()
      .resize({ width: WIDEST, withoutEnlargement: true })
      .webp({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw new Complaint(`${name || 'This file'} is not a picture that can be shown: use a JPEG, PNG, WebP, GIF or AVIF file.`);
  }
}

/** The bytes of a picture on a page and their type; null when there is none of that digest. */
export async function pictureBytes(digest: string): Promise<{ type: string; bytes: Buffer } | null> {
  const db = await database();
  const [row] = await db.select().from(pictures).where(eq(pictures.digest, digest));
  return row ? { type: row.type, bytes: await bytesOf(digest) } : null;
}
