// Makes pictures lighter beside the server: a drawing can ask for more work than there are hours.
import sharp from 'sharp';
import { Complaint } from '@even-page/core/complaint';
import type { Lightened, Original } from '../pictures.ts';
import { serve } from './serve.ts';

// As wide as the widest page shows it on a dense screen; WebP at 72 (common practice, no source).
const WIDEST = 1600;
const QUALITY = 72;
// The WebP format ends at 16,383 pixels a side (Google, WebP Container Specification).
const HIGHEST = 16_383;
const MOST_PIXELS = 100_000_000;
const FORMATS = new Set(['jpeg', 'png', 'webp', 'gif', 'heif', 'tiff', 'svg']);

sharp.cache(false);

serve(async ({ name, bytes }: Original): Promise<Lightened> => {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS });
    const { format } = await picture.metadata();
    if (!FORMATS.has(format)) throw new Error(`not a picture: ${format}`);
    const { data, info } = await picture
      .rotate()
      .resize({ width: WIDEST, height: HIGHEST, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, width: info.width, height: info.height };
  } catch {
    throw new Complaint(`${name || 'This file'} is not a picture that can be shown: use a JPEG, PNG, WebP, GIF or AVIF file.`);
  }
});
