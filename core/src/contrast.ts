/** A colour of the screen: red, green and blue from 0 to 255, and how much it covers, 0 to 1. */
export type Colour = { red: number; green: number; blue: number; alpha: number };

/** A colour as it is written (`#010203`) or as browsers tell it (`rgb(1, 2, 3)`, `rgba(1, 2, 3, 0.5)`); null for one told otherwise. */
export function colourOf(told: string): Colour | null {
  if (/^#[\da-f]{6}$/i.test(told)) {
    const [red, green, blue] = [1, 3, 5].map((at) => parseInt(told.slice(at, at + 2), 16)) as [number, number, number];
    return { red, green, blue, alpha: 1 };
  }
  const numbers = /^rgba?\(\s*([\d.]+)[\s,]+([\d.]+)[\s,]+([\d.]+)(?:[\s,/]+([\d.]+)(%?))?\s*\)$/.exec(told.trim());
  if (!numbers) return null;
  const [red, green, blue] = numbers.slice(1, 4).map(Number) as [number, number, number];
  return { red, green, blue, alpha: numbers[4] === undefined ? 1 : Number(numbers[4]) / (numbers[5] ? 100 : 1) };
}

/** What is seen where one colour lies over another that covers. */
export function over(top: Colour, ground: Colour): Colour {
  const mixed = (a: number, b: number) => a * top.alpha + b * (1 - top.alpha);
  return { red: mixed(top.red, ground.red), green: mixed(top.green, ground.green), blue: mixed(top.blue, ground.blue), alpha: 1 };
}

/** The relative luminance of a colour that covers, 0 to 1. Source: WCAG 2.2, "relative luminance". */
function luminance({ red, green, blue }: Colour): number {
  const linear = (value: number) => {
    const part = value / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
}

/** The contrast of a colour on a ground that covers, 1 to 21. Source: WCAG 2.2, "contrast ratio". */
export function contrast(colour: Colour, ground: Colour): number {
  const [darker, lighter] = [luminance(over(colour, ground)), luminance(ground)].sort((a, b) => a - b) as [number, number];
  return (lighter + 0.05) / (darker + 0.05);
}
