import type { Pixels } from './file-sizes.ts';

/** The point of a picture that is never cut off: 0 to 1 from its left and its top. */
export type Focus = { x: number; y: number };

export const MIDDLE: Focus = { x: 0.5, y: 0.5 };

/** The shapes a use asks for, in pixels; the share picture has that of the cover (common practice, no source). */
export const SHAPES = {
  cover: { width: 1200, height: 630 },
  row: { width: 750, height: 563 },
  square: { width: 1080, height: 1080 },
  tall: { width: 1080, height: 1350 },
} as const satisfies Record<string, Pixels>;

export type Shape = keyof typeof SHAPES;

/** A header picture is at least this large (common practice, no source). */
export const LEAST_COVER: Pixels = { width: 960, height: 350 };

/** Why a picture makes a poor cover; empty when it is large enough. */
export function coverWarning({ width, height }: Pixels): string {
  if (width >= LEAST_COVER.width && height >= LEAST_COVER.height) return '';
  return `It is ${width} × ${height} pixels, and a cover needs at least ${LEAST_COVER.width} × ${LEAST_COVER.height}: it will look blurred.`;
}

/**
 * The largest part of a picture that has the shape asked for, with the focus as near its middle as the edges allow.
 * @returns the part in whole pixels of the picture
 */
export function cutTo({ width, height }: Pixels, shape: Pixels, { x, y }: Focus): Pixels & { left: number; top: number } {
  const ratio = shape.width / shape.height;
  const cut = width / height > ratio ? { width: Math.round(height * ratio), height } : { width, height: Math.round(width / ratio) };
  const own = { width: Math.max(1, Math.min(width, cut.width)), height: Math.max(1, Math.min(height, cut.height)) };
  const from = (whole: number, part: number, at: number) => Math.round(Math.min(Math.max(at * whole - part / 2, 0), whole - part));
  return { left: from(width, own.width, x), top: from(height, own.height, y), ...own };
}
