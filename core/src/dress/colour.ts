/** The colours pictures are looked for by. */
export const COLOURS = ['red', 'orange', 'yellow', 'green', 'blue', 'violet', 'pink', 'brown', 'white', 'grey', 'black'] as const;
export type Colour = (typeof COLOURS)[number];

// Where each hue ends on the circle, in degrees (our own division).
const HUES: readonly [number, Colour][] = [
  [15, 'red'],
  [42, 'orange'],
  [68, 'yellow'],
  [165, 'green'],
  [255, 'blue'],
  [290, 'violet'],
  [340, 'pink'],
  [360, 'red'],
];

/** The name of a colour given as red, green and blue, 0 to 255. */
export function colourName(r: number, g: number, b: number): Colour {
  const [most, least] = [Math.max(r, g, b), Math.min(r, g, b)];
  const light = (most + least) / 510;
  const span = most - least;
  const saturation = span ? span / 255 / (1 - Math.abs(2 * light - 1)) : 0;
  if (light < 0.1) return 'black';
  if (light > 0.92) return 'white';
  if (saturation < 0.14) return light > 0.82 ? 'white' : light < 0.18 ? 'black' : 'grey';
  const turn = most === r ? (g - b) / span + (g < b ? 6 : 0) : most === g ? (b - r) / span + 2 : (r - g) / span + 4;
  const hue = HUES.find(([end]) => turn * 60 <= end)![1];
  return hue === 'orange' && (light < 0.4 || saturation < 0.4) ? 'brown' : hue;
}
