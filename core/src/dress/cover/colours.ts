import type { CoverDesign } from '../../post/cover-design.ts';

export type CoverColours = CoverDesign['colours'];

/** Colours that go together on a cover, our own: paper and leaf, thread and brass. */
export const PALETTES: Readonly<Record<string, CoverColours>> = {
  Paper: { ground: '#fffdf7', ink: '#23211c', accent: '#1f5a4d' },
  Bottle: { ground: '#1f5a4d', ink: '#fffdf7', accent: '#e0bf74' },
  Brass: { ground: '#f3e4bf', ink: '#33270d', accent: '#8a5a00' },
  Slate: { ground: '#26435a', ink: '#f6f8fa', accent: '#c9dbe8' },
  Rust: { ground: '#fbece8', ink: '#3a140d', accent: '#a63d2f' },
  Lamp: { ground: '#1d1b17', ink: '#f1ebdc', accent: '#d9a94e' },
};

/** The part of light a colour gives back (WCAG 2.2, relative luminance). */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** How well one colour stands out from another: 1 to 21 (WCAG 2.2, contrast ratio). */
export function contrast(a: string, b: string): number {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (high + 0.05) / (low + 0.05);
}

/** The same colours, with an ink that can be read on the ground (WCAG 2.2, 1.4.3). */
export function readable(colours: CoverColours): CoverColours {
  if (contrast(colours.ink, colours.ground) >= 4.5) return colours;
  return { ...colours, ink: contrast('#1d1b17', colours.ground) >= contrast('#fffdf7', colours.ground) ? '#1d1b17' : '#fffdf7' };
}
