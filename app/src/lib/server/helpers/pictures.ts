// Makes pictures light beside the server: a drawing can ask for more work than there are hours.
import { setPriority } from 'node:os';
import exifr from 'exifr';
import sharp, { type Sharp } from 'sharp';
import { Complaint } from '@even-page/core/complaint';
import { colourName, cutTo, FILE_WIDTHS, fileSizes, LOOK_GRID, lookOf, NO_RIGHTS, rightsStated, sizeAt } from '@even-page/core/dress';
import type { Cut, LightFile, Light, PictureAnswer, PictureQuestion, Tried } from '../picture-work.ts';
import { serve } from './serve.ts';

const MOST_PIXELS = 100_000_000;
// The kinds that are shown, and the kind its file for readers without WebP is of.
const FALLBACKS: Record<string, 'jpeg' | 'png' | 'gif' | 'webp'> = {
  ...{ jpeg: 'jpeg', png: 'png', gif: 'gif', webp: 'webp', heif: 'jpeg', tiff: 'jpeg', svg: 'png' },
};

sharp.cache(false);
// Two of these are at work at once, and somebody is typing beside them.
sharp.concurrency(1);
setPriority(10);

const named = (name: string) => name || 'This file';

// Of an empty file not even the question can be asked.
const whatItIs = async (bytes: Uint8Array) => sharp(bytes, { limitInputPixels: false }).metadata();

/** A picture opened for work. Throws a Complaint that says why it cannot be. */
async function opened(name: string, bytes: Uint8Array) {
  const found = await whatItIs(bytes).catch(() => null);
  if (!found || !(found.format in FALLBACKS))
    throw new Complaint(`${named(name)} is not a picture that can be shown: use a JPEG, PNG, WebP, GIF or AVIF file.`);
  const { format, width, height, pages = 1, pageHeight = height } = found;
  if (width * pageHeight > MOST_PIXELS)
    throw new Complaint(
      `${named(name)} is ${width.toLocaleString('en')} × ${pageHeight.toLocaleString('en')} pixels, more than the 100 million that can be worked on: save it smaller, then bring that in.`,
    );
  // A moving picture keeps moving as long as all of it can be worked on.
  const moves = pages > 1 && (format === 'gif' || format === 'webp') && width * pageHeight * pages <= MOST_PIXELS;
  const turned = (found.orientation ?? 1) > 4;
  const upright = turned ? { width: pageHeight, height: width } : { width, height: pageHeight };
  return { format, moves, upright, open: () => sharp(bytes, { limitInputPixels: MOST_PIXELS, animated: moves }) };
}

/** Runs the work on a picture; what breaks there is a file that is not whole. */
async function whole<T>(name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    throw new Complaint(
      `${named(name)} is damaged or did not arrive whole, so it cannot be shown. Open it where you have it, save it anew, then bring that in.`,
    );
  }
}

async function written(picture: Sharp, format: 'webp' | 'jpeg' | 'png' | 'gif', quality: number, purpose: string): Promise<LightFile> {
  const as = { webp: { quality }, jpeg: { quality, mozjpeg: true }, png: { compressionLevel: 9 }, gif: {} }[format];
  const { data, info } = await picture.toFormat(format, as).toBuffer({ resolveWithObject: true });
  const height = info.pages ? Math.round(info.height / info.pages) : info.height;
  return { purpose, format: `image/${format}`, width: info.width, height, bytes: data };
}

// Up to this many pixels a drawing is tried without loss too.
const MOST_DRAWN = 4e6;

/** A file at some quality, or without any loss where that is lighter, as it is for drawings at their own size. */
async function lighter(picture: Sharp, _: 'webp', quality: number, purpose: string): Promise<LightFile> {
  const lossy = await written(picture.clone(), 'webp', quality, purpose);
  const bytes = await picture.webp({ lossless: true }).toBuffer();
  return bytes.length < lossy.bytes.length ? { ...lossy, bytes } : lossy;
}

// Turned upright, in the colours of screens, as large as the largest file made of it: the others are made of this.
async function based(open: () => Sharp, { width, height }: { width: number; height: number }) {
  const { data, info } = await open()
    .autoOrient()
    .resize({ width, height, fit: 'fill' })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width: w, height: h, channels } = info;
  return () => sharp(data, { raw: { width: w, height: h, channels } });
}

async function light({ name, bytes, quality }: { name: string; bytes: Uint8Array; quality: number }): Promise<Light> {
  const { format, moves, upright, open } = await opened(name, bytes);
  const sizes = fileSizes(upright);
  const stated = await exifr
    .parse(bytes, { iptc: true, xmp: true, tiff: true, exif: true, gps: false, icc: false, mergeOutput: true })
    .catch(() => null);
  return whole(name, async () => {
    const base = moves ? null : await based(open, sizes.at(-1)!);
    const at = (width: number, height: number) =>
      base ? base().resize({ width, height, fit: 'fill' }) : open().resize({ width, height, fit: 'fill' });
    const files: LightFile[] = [];
    for (const { purpose, width, height } of sizes) {
      const own = format === 'png' && width === upright.width && width * height <= MOST_DRAWN;
      files.push(await (own ? lighter : written)(at(width, height), 'webp', quality, purpose));
    }
    const fallback = FALLBACKS[format]!;
    const { width, height } = sizeAt(upright, FILE_WIDTHS.large);
    if (fallback !== 'webp') files.push(await written(at(width, height), fallback, quality + 10, 'fallback'));
    const still = base ?? (() => sharp(bytes));
    const grey = await still()
      .flatten({ background: '#fff' })
      .greyscale()
      .resize({ ...LOOK_GRID, fit: 'fill' })
      .raw()
      .toBuffer();
    const { dominant } = await sharp(
      await still().flatten({ background: '#fff' }).resize(64, 64, { fit: 'fill' }).png().toBuffer(),
    ).stats();
    return {
      ...upright,
      type: format === 'svg' ? 'image/svg+xml' : `image/${format}`,
      files,
      look: lookOf(grey),
      colour: colourName(dominant.r, dominant.g, dominant.b),
      rights: stated ? rightsStated(stated as Record<string, unknown>) : NO_RIGHTS,
    };
  });
}

/** One file of a picture as it would be at another quality. */
async function tried({ name, bytes, quality }: { name: string; bytes: Uint8Array; quality: number }): Promise<Tried> {
  const { upright, open } = await opened(name, bytes);
  const { width, height } = sizeAt(upright, FILE_WIDTHS.medium);
  return whole(name, async () =>
    written(open().autoOrient().resize({ width, height, fit: 'fill' }).toColourspace('srgb'), 'webp', quality, 'medium'),
  );
}

/** A picture cut to a shape around its focus; never enlarged. */
async function cut({ name, bytes, quality, shape, focus, purpose }: Cut): Promise<LightFile[]> {
  const { upright, open } = await opened(name, bytes);
  const part = cutTo(upright, shape, focus);
  return whole(name, async () => {
    const width = Math.min(shape.width, part.width);
    const height = Math.max(1, Math.round((width * shape.height) / shape.width));
    const { data, info } = await open().autoOrient().extract(part).toColourspace('srgb').raw().toBuffer({ resolveWithObject: true });
    const { width: w, height: h, channels } = info;
    const own = () => sharp(data, { raw: { width: w, height: h, channels } }).resize({ width, height, fit: 'fill' });
    return [
      await written(own(), 'webp', quality, purpose),
      // Share pictures and mail programs want a kind that everything reads.
      await written(own().flatten({ background: '#fff' }), 'jpeg', quality + 10, purpose),
    ];
  });
}

serve(async (question: PictureQuestion): Promise<PictureAnswer> => {
  if (question.task === 'light') return { light: await light(question) };
  if (question.task === 'try') return { tried: await tried(question) };
  return { cut: await cut(question) };
});
