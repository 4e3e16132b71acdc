import { zlibSync } from 'fflate';
import { pdfLibrary, type Page } from './pdf-library.ts';

type Image = { width: number; height: number; kind: number; data?: Uint8Array };

// How the library says what the bytes of a picture are.
const RGB = 2;
const RGBA = 3;
// Smaller than this it is a bullet or a line, not a picture.
const LEAST = 32;

/** The pictures of a page as PNG files, each with its distance from the top of the page in points. */
export async function picturesOf(page: Page, top: number): Promise<{ y: number; name: string; bytes: Uint8Array }[]> {
  const { OPS } = await pdfLibrary();
  const { fnArray, argsArray } = await page.getOperatorList();
  const found: { y: number; name: string; bytes: Uint8Array }[] = [];
  // Where the unit square of a picture lands: only shifts and scales matter for its height on the page.
  let state = { scale: 1, y: 0 };
  const stack: (typeof state)[] = [];
  for (const [i, op] of fnArray.entries()) {
    const args = argsArray[i] as unknown[];
    if (op === OPS.save) stack.push(state);
    else if (op === OPS.restore) state = stack.pop() ?? { scale: 1, y: 0 };
    else if (op === OPS.transform) {
      const [, , , d, , f] = args as number[];
      state = { scale: state.scale * d!, y: state.y + state.scale * f! };
    } else if (op === OPS.paintImageXObject) {
      const image = await imageOf(page, String(args[0]));
      if (!image || image.width < LEAST || image.height < LEAST) continue;
      const bytes = pngOf(image);
      if (bytes) found.push({ y: top - (state.y + Math.max(0, state.scale)), name: `picture-${String(args[0])}.png`, bytes });
    }
  }
  return found;
}

const imageOf = (page: Page, name: string): Promise<Image | null> =>
  new Promise((resolve) => {
    const objects = name.startsWith('g_') ? page.commonObjs : page.objs;
    objects.get(name, (image) => resolve((image as Image | undefined) ?? null));
  });

/** A picture as PNG (ISO/IEC 15948): truecolour, with an alpha channel where it has one. */
function pngOf({ width, height, kind, data }: Image): Uint8Array | null {
  const channels = kind === RGB ? 3 : kind === RGBA ? 4 : 0;
  if (!channels || !data || data.length < width * height * channels) return null;
  const rows = new Uint8Array((width * channels + 1) * height);
  for (let y = 0; y < height; y++) {
    rows.set(data.subarray(y * width * channels, (y + 1) * width * channels), y * (width * channels + 1) + 1);
  }
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  header.set([8, channels === 3 ? 2 : 6, 0, 0, 0], 8);
  const parts = [chunk('IHDR', header), chunk('IDAT', zlibSync(rows)), chunk('IEND', new Uint8Array(0))];
  return Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, ...parts.flatMap((part) => Array.from(part))]);
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(data.length + 12);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, data.length);
  bytes.set(
    Array.from(type, (letter) => letter.charCodeAt(0)),
    4,
  );
  bytes.set(data, 8);
  view.setUint32(data.length + 8, crc(bytes.subarray(4, data.length + 8)));
  return bytes;
}

function crc(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) {
    c ^= byte;
    for (let k = 0; k < 8; k++) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1;
  }
  return (c ^ 0xffffffff) >>> 0;
}
