/** The sizes a picture is shown at, in CSS pixels; `large` is as wide as the text, `full` as the sheet. */
export const SIZES = { small: 240, medium: 420, large: 720, full: 1200 } as const;

/** A named size, or a width in CSS pixels. */
export type Size = keyof typeof SIZES | number;

/** Where it stands beside the text: in the middle, with the text around it, or out over both edges of it. */
export const ALIGNS = ['centre', 'left', 'right', 'wide'] as const;
export type Align = (typeof ALIGNS)[number];

const MOST_WIDTH = 4000;

/** Whether a value is a size. */
export const isSize = (value: unknown): value is Size =>
  typeof value === 'number' ? Number.isInteger(value) && value >= 16 && value <= MOST_WIDTH : (value as string) in SIZES;

/** The width of a size in CSS pixels. */
export const widthOf = (size: Size): number => (typeof size === 'number' ? size : SIZES[size]);

/** How a picture stands, as the classes of its figure; nothing for one that is as wide as the text. */
export function placementClasses(size: Size, align: Align): string[] {
  return [typeof size === 'number' ? 'sized' : size === 'large' ? '' : size, align === 'centre' ? '' : align].filter(Boolean);
}

/** The placement that classes say; `width` is that of the image itself, which counts where the figure is `sized`. */
export function placementOf(classes: readonly string[], width: unknown): { size: Size; align: Align } {
  const own = Number(width);
  const size =
    classes.includes('sized') && isSize(own) ? own : (Object.keys(SIZES) as (keyof typeof SIZES)[]).find((s) => classes.includes(s));
  return { size: size ?? 'large', align: ALIGNS.find((a) => classes.includes(a)) ?? 'centre' };
}

/** The classes a figure of the page may carry. */
export const FIGURE_CLASSES = [...Object.keys(SIZES), 'sized', ...ALIGNS, 'row', 'clip', 'decorative'];

/** For the `sizes` of an image: how wide it is shown, for all widths of the window. */
export function sizesOf(width: number, among = 1): string {
  // In a row each has its part of the text's width; none is ever wider than the window.
  return among > 1
    ? `(max-width: ${SIZES.large}px) ${Math.round(100 / among)}vw, ${Math.round(SIZES.large / among)}px`
    : `(max-width: ${width}px) 100vw, ${width}px`;
}
