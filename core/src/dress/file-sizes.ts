/** A size in pixels. */
export type Pixels = { width: number; height: number };

/** How wide the light files of a picture are, in pixels: for each named size one that fits it, on dense screens too (common practice, no source). */
export const FILE_WIDTHS = { small: 375, medium: 750, large: 1200, full: 1600 } as const;

/** The quality light files are made with, of 100: WebP at 70 to 72 (common practice, no source). */
export const QUALITY = 72;

// The WebP format ends at 16,383 pixels a side (Google, WebP Container Specification).
const HIGHEST = 16_383;

/** The size of a picture at another width, with its shape kept: 640 x 413 at a width of 375 is 242 high. */
export function sizeAt({ width, height }: Pixels, wanted: number): Pixels {
  const least = Math.min(wanted, width, Math.max(1, Math.floor((width * HIGHEST) / height)));
  return { width: least, height: Math.max(1, Math.round((height * least) / width)) };
}

/** The light files of a picture: never larger than it is, and no two of one size. The last is the largest. */
export function fileSizes(picture: Pixels): (Pixels & { purpose: keyof typeof FILE_WIDTHS })[] {
  const found: (Pixels & { purpose: keyof typeof FILE_WIDTHS })[] = [];
  for (const [purpose, wanted] of Object.entries(FILE_WIDTHS)) {
    const size = sizeAt(picture, wanted);
    if (size.width !== found.at(-1)?.width) found.push({ purpose: purpose as keyof typeof FILE_WIDTHS, ...size });
  }
  return found;
}
