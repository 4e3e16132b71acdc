import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray, isNotNull, isNull, ne, type SQL, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import { Complaint } from '@even-page/core/complaint';
import { creditLine, type Focus, MIDDLE, MOST_APART, QUALITY, type Rights, type Shape, SHAPES } from '@even-page/core/dress';
import type { DressedPicture } from '@even-page/core/post/dress';
import { pictureAddress, pictureId } from '$lib/picture-address.ts';
import type { Picture } from '$lib/pictures/known.ts';
import { database, write } from './database.ts';
import { bytesOf, digestOf, keep } from './files.ts';
import { SERVER_ITSELF, type Person } from './person.ts';
import { cutShape, type LightFile, makeLight, tryQuality } from './picture-work.ts';
import { pictures, pictureVariants, pieces } from './schema.ts';
import type { Writing } from './writing.ts';

type Row = typeof pictures.$inferSelect;
type Variant = typeof pictureVariants.$inferSelect;

export type { Picture };

/** What a new picture brings along. */
export type NewPicture = { id?: string; name: string; bytes: Uint8Array; alt?: string; rights?: Rights };

const NOT_HERE = 'This picture is no longer here: put it in again.';

const show = (row: Row, bytes: number): Picture => ({
  src: pictureAddress(row.id),
  ...{ name: row.name, type: row.type, width: row.width, height: row.height, bytes, originalBytes: row.originalBytes },
  ...{ alt: row.alt, rights: row.rights, credit: creditLine(row.rights), focus: row.focus, quality: row.quality, colour: row.colour },
});

/**
 * Keeps a picture as it came, and the light files made of it. The same file brought in twice is one picture, unless it comes
 * with an id of its own. Throws a Complaint when the bytes are no picture.
 */
export async function addPicture(person: Person, { id, name, bytes, alt = '', rights }: NewPicture): Promise<Picture> {
  const db = await database();
  const original = await digestOf(bytes);
  const known = id ? eq(pictures.id, id) : and(eq(pictures.original, original), isNull(pictures.goneAt));
  const [before] = await db.select().from(pictures).where(known).limit(1);
  if (before) return show(before, await weightOf(before.id));
  const light = await makeLight({ name, bytes, quality: QUALITY });
  await keep(bytes);
  const row = {
    ...{ id: id ?? randomUUID(), name, original, type: light.type, originalBytes: bytes.length, width: light.width, height: light.height },
    ...{
      rights: rights ?? light.rights,
      alt,
      focus: MIDDLE,
      quality: QUALITY,
      look: light.look,
      colour: light.colour,
      createdBy: person.id,
    },
  };
  const files = await kept(light.files);
  await write(person, async (writing) => {
    if (await writing.insertOnce(pictures, row)) await putVariants(writing, row.id, files);
  });
  const [added] = await db.select().from(pictures).where(eq(pictures.id, row.id));
  return show(added!, await weightOf(row.id));
}

type KeptFile = Omit<LightFile, 'bytes'> & { digest: string; bytes: number };

const kept = (files: readonly LightFile[]): Promise<KeptFile[]> =>
  Promise.all(files.map(async ({ bytes, ...file }) => ({ ...file, digest: await keep(bytes), bytes: bytes.length })));

async function putVariants(writing: Writing, pictureId: string, files: readonly KeptFile[]): Promise<void> {
  for (const file of files) await writing.insert(pictureVariants, { pictureId, ...file });
}

async function weightOf(id: string): Promise<number> {
  const variants = await variantsOf([id]);
  return largest(variants.get(id) ?? [])?.bytes ?? 0;
}

const isWhole = (variant: Variant) => variant.format === 'image/webp' && variant.purpose in { small: 1, medium: 1, large: 1, full: 1 };
const largest = (variants: readonly Variant[]): Variant | undefined =>
  variants.filter(isWhole).reduce<Variant | undefined>((best, v) => (best && best.width >= v.width ? best : v), undefined);

async function variantsOf(ids: readonly string[]): Promise<Map<string, Variant[]>> {
  const found = new Map<string, Variant[]>();
  if (!ids.length) return found;
  const db = await database();
  const rows = await db
    .select()
    .from(pictureVariants)
    .where(inArray(pictureVariants.pictureId, [...ids]))
    .orderBy(pictureVariants.width);
  for (const row of rows) found.set(row.pictureId, [...(found.get(row.pictureId) ?? []), row]);
  return found;
}

async function rowOf(id: string): Promise<Row> {
  const db = await database();
  const [row] = await db.select().from(pictures).where(eq(pictures.id, id));
  if (!row) throw new Complaint(NOT_HERE);
  // Brought in by an older version, which made one file of it and looked at nothing else.
  return row.look ? row : lightAgain(SERVER_ITSELF, row, row.quality);
}

/** Makes the light files of a picture anew, at a quality. */
async function lightAgain(person: Person, row: Row, quality: number): Promise<Row> {
  const light = await makeLight({ name: row.name, bytes: await bytesOf(row.original), quality });
  const own = { quality, look: light.look, colour: light.colour, type: light.type, width: light.width, height: light.height };
  const files = await kept(light.files);
  await write(person, async (writing) => {
    await writing.delete(pictureVariants, eq(pictureVariants.pictureId, row.id));
    await putVariants(writing, row.id, files);
    await writing.update(pictures, own, eq(pictures.id, row.id));
  });
  return { ...row, ...own };
}

/** A picture. Throws a Complaint when it is not here. */
export async function readPicture(id: string): Promise<Picture> {
  const row = await rowOf(id);
  return show(row, await weightOf(id));
}

/** The pictures of some addresses, those that are here. */
export async function picturesAt(addresses: readonly string[]): Promise<Picture[]> {
  const ids = [...new Set(addresses.map(pictureId).filter((id) => id !== null))];
  if (!ids.length) return [];
  const db = await database();
  const [rows, variants] = await Promise.all([db.select().from(pictures).where(inArray(pictures.id, ids)), variantsOf(ids)]);
  return rows.map((row) => show(row, largest(variants.get(row.id) ?? [])?.bytes ?? 0));
}

/** Whose the pictures at some addresses are, those that are here. */
export async function rightsAt(addresses: readonly string[]): Promise<Record<string, Rights>> {
  const ids = addresses.map(pictureId).filter((id) => id !== null);
  if (!ids.length) return {};
  const db = await database();
  const rows = await db.select({ id: pictures.id, rights: pictures.rights }).from(pictures).where(inArray(pictures.id, ids));
  return Object.fromEntries(rows.map(({ id, rights }) => [pictureAddress(id), rights]));
}

/** What may be changed of a picture. */
export type PictureChange = { name?: string; alt?: string; rights?: Rights; focus?: Focus; quality?: number };

/** Changes what is known of a picture, or how light its files are. Throws a Complaint when it is not here. */
export async function changePicture(person: Person, id: string, { quality, ...change }: PictureChange): Promise<Picture> {
  const row = await rowOf(id);
  await write(person, async (writing) => {
    if (Object.keys(change).length) await writing.update(pictures, change, eq(pictures.id, id));
    // What was cut around the old focus is cut anew when it is asked for.
    if (change.focus)
      await writing.delete(pictureVariants, and(eq(pictureVariants.pictureId, id), inArray(pictureVariants.purpose, Object.keys(SHAPES))));
  });
  if (quality && quality !== row.quality) await lightAgain(person, { ...row, ...change }, quality);
  return readPicture(id);
}

/** A file of a picture as it would be at another quality. Throws a Complaint when the picture is not here. */
export async function triedQuality(id: string, quality: number): Promise<LightFile> {
  const row = await rowOf(id);
  return tryQuality({ name: row.name, bytes: await bytesOf(row.original), quality });
}

/** The picture as it came. Throws a Complaint when it is not here. */
export async function originalOf(id: string): Promise<{ name: string; type: string; bytes: Buffer }> {
  const row = await rowOf(id);
  return { name: row.name, type: row.type, bytes: await bytesOf(row.original) };
}

/** What a file of a picture may be asked for: a width, a shape, or the kind that everything reads. */
export const PURPOSES = ['small', 'medium', 'large', 'full', 'fallback', ...(Object.keys(SHAPES) as Shape[])] as const;
export type Purpose = (typeof PURPOSES)[number];

/**
 * The files of a picture for a purpose, the light one first: shapes are cut when they are asked for first. Of a picture that is
 * smaller than a width its largest is the file. Throws a Complaint when the picture is not here.
 */
export async function filesFor(id: string, purpose: Purpose): Promise<Variant[]> {
  const row = await rowOf(id);
  const variants = (await variantsOf([id])).get(id) ?? [];
  const own = variants.filter((v) => v.purpose === purpose).sort((a) => (a.format === 'image/webp' ? -1 : 1));
  if (own.length) return own;
  if (!(purpose in SHAPES)) return [largest(variants)!];
  const shape = SHAPES[purpose as Shape];
  const files = await kept(
    await cutShape({ name: row.name, bytes: await bytesOf(row.original), quality: row.quality, purpose, shape, focus: row.focus }),
  );
  await write(SERVER_ITSELF, async (writing) => {
    for (const file of files) await writing.insertOnce(pictureVariants, { pictureId: id, ...file });
  });
  return files.map((file) => ({ pictureId: id, ...file }));
}

/** The bytes of a file made of a picture. */
export const variantBytes = ({ digest }: Pick<Variant, 'digest'>): Promise<Buffer> => bytesOf(digest);

/** Where a file made of a picture stands once it was sent: its address. */
export type Placed = (file: Variant) => Promise<string>;

/**
 * A picture with an address for each of its files, as a page goes out with it. Throws a Complaint when it is not here.
 * @param place says where a file stands, and brings it there first if need be
 */
export async function dressedPicture(src: string, shape: 'whole' | 'row', place: Placed): Promise<DressedPicture | null> {
  const id = pictureId(src);
  if (!id) return null;
  const row = await rowOf(id);
  const variants = shape === 'row' ? await filesFor(id, 'row') : ((await variantsOf([id])).get(id) ?? []);
  const light = variants.filter((v) => (shape === 'row' ? v.format === 'image/webp' : isWhole(v)));
  const fallback = variants.find((v) => v.format !== 'image/webp' && v.purpose === (shape === 'row' ? 'row' : 'fallback')) ?? light.at(-1)!;
  const size = light.at(-1)!;
  return {
    files: await Promise.all(light.map(async (file) => ({ address: await place(file), width: file.width }))),
    fallback: await place(fallback),
    ...{ width: size.width, height: size.height, credit: creditLine(row.rights) },
  };
}

/** A piece that shows a picture. */
export type Use = { piece: string; title: string };

/** Which pieces show which pictures, by the address of the picture. */
export async function pictureUses(): Promise<Map<string, Use[]>> {
  const db = await database();
  const rows = await db
    .select({ piece: pieces.id, title: pieces.title, files: sql<string[]>`coalesce(${pieces.looks}->'files', '[]'::jsonb)` })
    .from(pieces)
    .orderBy(desc(pieces.touchedAt));
  const found = new Map<string, Use[]>();
  for (const { piece, title, files } of rows) for (const src of files) found.set(src, [...(found.get(src) ?? []), { piece, title }]);
  return found;
}

/** All pictures that are not put away, the newest first, each with the pieces that show it. */
export async function listPictures(): Promise<(Picture & { createdAt: Date; uses: Use[] })[]> {
  const db = await database();
  const [rows, uses, weights] = await Promise.all([
    db.select().from(pictures).where(isNull(pictures.goneAt)).orderBy(desc(pictures.createdAt), desc(pictures.id)),
    pictureUses(),
    db
      .select({ id: pictureVariants.pictureId, bytes: sql<number>`max(${pictureVariants.bytes})::int` })
      .from(pictureVariants)
      .where(and(eq(pictureVariants.format, 'image/webp'), inArray(pictureVariants.purpose, ['small', 'medium', 'large', 'full'])))
      .groupBy(pictureVariants.pictureId),
  ]);
  const bytes = new Map(weights.map((w) => [w.id, w.bytes]));
  return rows.map((row) => ({
    ...show(row, bytes.get(row.id) ?? 0),
    createdAt: row.createdAt,
    uses: uses.get(pictureAddress(row.id)) ?? [],
  }));
}

/** The pictures that are the same file as one, or look like it. Throws a Complaint when it is not here. */
export async function picturesLike(id: string): Promise<{ src: string; isSame: boolean }[]> {
  const db = await database();
  const row = await rowOf(id);
  const bits = (look: SQL | PgColumn) => sql`('x' || ${look})::bit(64)`;
  const apart = sql<number>`bit_count(${bits(pictures.look)} # ${bits(sql`${row.look}::text`)})::int`;
  const others = await db
    .select({ id: pictures.id, original: pictures.original, apart })
    .from(pictures)
    // A look that is not known is none; the case keeps the others from being read as bits first.
    .where(
      and(
        ne(pictures.id, id),
        isNull(pictures.goneAt),
        sql`case when length(${pictures.look}) = 16 then ${apart} <= ${MOST_APART} else false end`,
      ),
    )
    .orderBy(apart);
  return others
    .map((other) => ({ src: pictureAddress(other.id), isSame: other.original === row.original }))
    .sort((a, b) => Number(b.isSame) - Number(a.isSame));
}

/** Puts a picture away. Throws a Complaint that names the pieces that show it while there are some. */
export async function putAway(person: Person, id: string): Promise<void> {
  await rowOf(id);
  const uses = (await pictureUses()).get(pictureAddress(id)) ?? [];
  if (uses.length) {
    const named = uses.slice(0, 3).map(({ title }) => `“${title}”`);
    const more = uses.length > 3 ? ` and ${uses.length - 3} more` : '';
    throw new Complaint(`This picture is shown in ${named.join(', ')}${more}: take it out there first.`);
  }
  await write(person, (writing) => writing.update(pictures, { goneAt: new Date() }, eq(pictures.id, id)));
}

/** Brings back a picture that was put away. */
export async function bringBack(person: Person, id: string): Promise<void> {
  await write(person, (writing) => writing.update(pictures, { goneAt: null }, and(eq(pictures.id, id), isNotNull(pictures.goneAt))));
}
