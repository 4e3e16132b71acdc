import { colourOf, contrast } from '../../contrast.ts';
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

/** The same colours, each as `#rrggbb`, with an ink that can be read on the ground (WCAG 2.2, 1.4.3). */
export function readable(colours: CoverColours): CoverColours {
  const onGround = (ink: string) => contrast(colourOf(ink)!, colourOf(colours.ground)!);
  if (onGround(colours.ink) >= 4.5) return colours;
  return { ...colours, ink: onGround('#1d1b17') >= onGround('#fffdf7') ? '#1d1b17' : '#fffdf7' };
}
