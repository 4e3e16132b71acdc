/** A picture as its pixels: red, green, blue and alpha, 0 to 255, row by row. */
export type PixelData = { width: number; height: number; data: Uint8ClampedArray };

/**
 * Takes a plain background away: all that is reached from the edge over pixels like those of the edge gets clear. A picture
 * that has clear parts already is left as it is.
 * @param tolerance how unlike a pixel may be, 0 to 100
 * @returns for each pixel how much of it stays, 0 to 255
 */
export function cutOut({ width, height, data }: PixelData, tolerance: number): Uint8ClampedArray {
  const size = width * height;
  const stays = new Uint8ClampedArray(size).fill(255);
  for (let i = 0; i < size; i++) stays[i] = data[i * 4 + 3]!;
  if (hasClear(stays)) return stays;
  const ground = edgeColours(width, height, data);
  // The furthest two colours are apart.
  const most = (tolerance / 100) ** 2 * 3 * 255 ** 2;
  const isGround = (i: number) =>
    ground.some(([r, g, b]) => (data[i * 4]! - r) ** 2 + (data[i * 4 + 1]! - g) ** 2 + (data[i * 4 + 2]! - b) ** 2 <= most);
  const waiting: number[] = [];
  const reach = (i: number) => {
    if (stays[i] && isGround(i)) {
      stays[i] = 0;
      waiting.push(i);
    }
  };
  for (let x = 0; x < width; x++) [x, size - width + x].forEach(reach);
  for (let y = 0; y < height; y++) [y * width, y * width + width - 1].forEach(reach);
  while (waiting.length) {
    const i = waiting.pop()!;
    const x = i % width;
    if (x) reach(i - 1);
    if (x < width - 1) reach(i + 1);
    if (i >= width) reach(i - width);
    if (i < size - width) reach(i + width);
  }
  return softened(stays, width, height);
}

const hasClear = (stays: Uint8ClampedArray): boolean => {
  let clear = 0;
  for (const alpha of stays) if (alpha < 16) clear++;
  return clear > stays.length / 100;
};

type Rgb = [number, number, number];

/** The colours the edge is made of: those of its corners and the middles of its sides, each once. */
function edgeColours(width: number, height: number, data: Uint8ClampedArray): Rgb[] {
  const [right, bottom, middle] = [width - 1, height - 1, Math.floor(width / 2)];
  const half = Math.floor(height / 2);
  // The foot of a portrait is seldom its ground: the lower side does not count.
  const places = [
    [0, 0],
    [middle, 0],
    [right, 0],
    [0, half],
    [right, half],
    [0, Math.floor(bottom * 0.8)],
    [right, Math.floor(bottom * 0.8)],
  ] as const;
  return places.map(([x, y]) => {
    const at = (y * width + x) * 4;
    return [data[at]!, data[at + 1]!, data[at + 2]!];
  });
}

/** A border of a pixel or two that is half clear, so that nothing looks torn. */
function softened(stays: Uint8ClampedArray, width: number, height: number): Uint8ClampedArray {
  const soft = stays.slice();
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      if (!stays[i]) continue;
      let sum = 0;
      for (let dy = -1; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) sum += stays[i + dy * width + dx]!;
      soft[i] = sum / 9;
    }
  }
  return soft;
}

/** A stroke of the brush: where, how wide, and how much of what lies under it stays. */
export type Dab = { x: number; y: number; radius: number; stays: 0 | 255 };

/** Mends a cut-out by hand, in place. */
export function brush(stays: Uint8ClampedArray, width: number, height: number, { x, y, radius, stays: value }: Dab): void {
  const [left, right] = [Math.max(0, Math.floor(x - radius)), Math.min(width - 1, Math.ceil(x + radius))];
  const [top, bottom] = [Math.max(0, Math.floor(y - radius)), Math.min(height - 1, Math.ceil(y + radius))];
  for (let py = top; py <= bottom; py++)
    for (let px = left; px <= right; px++) if ((px - x) ** 2 + (py - y) ** 2 <= radius ** 2) stays[py * width + px] = value;
}
