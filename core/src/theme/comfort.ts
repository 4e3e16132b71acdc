/** What stands out of a page somewhere: the block (as a number in the page, from 0) and the words it begins with; no block for what stands beside them. */
type Spot = { block: number | null; words: string };

/** How comfortably a page reads in the theme of its outlet, as a browser shows it. */
export type Comfort = {
  /** Whose theme it is. */
  outlet: string;
  /** The distance of lines in paragraphs, in heights of the letters, and the height of those in pixels. */
  spacing: number;
  size: number;
  /** The contrast of paragraphs on their ground, 1 to 21. */
  contrast: number;
  /** The fonts that paragraphs, lists, quotations and tables are in. */
  fonts: readonly string[];
  /** Words that are hard to see on their ground, with their contrast and the one they need. */
  faint: readonly (Spot & { contrast: number; needed: number })[];
  /** Blocks that stick out of a screen, with its width in pixels. */
  wide: readonly (Spot & { screen: number })[];
};

/** The widths of screens a page is looked at, in CSS pixels. */
export const SCREENS = [
  { name: 'Phone', px: 390 },
  { name: 'Tablet', px: 768 },
  { name: 'Desktop', px: 1200 },
] as const;

/** What reading comfort asks for: line spacing (FACTS of the trade), text size in pixels (common practice, no source), and near black on white. */
export const COMFORTABLE = {
  spacing: 1.5,
  size: 16,
  // WCAG 2.2, 1.4.6 (AAA): below, text is a faint grey.
  contrast: 7,
} as const;

/** The contrast words need (WCAG 2.2, 1.4.3): 3 where they are large, from 24 px or 18.66 px in bold, else 4.5. */
export const neededContrast = (sizePx: number, weight: number): number => (sizePx >= 24 || (sizePx >= 18.66 && weight >= 700) ? 3 : 4.5);
