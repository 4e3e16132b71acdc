import literataLatin from '@fontsource-variable/literata/files/literata-latin-standard-normal.woff2?url';
import literataLatinExt from '@fontsource-variable/literata/files/literata-latin-ext-standard-normal.woff2?url';
import { coverSvg, type CoverPicture, FILE_WIDTHS, sizeAt } from '@even-page/core/dress';
import type { CoverDesign } from '@even-page/core/post/cover-design';
import { slugOf } from '@even-page/core/language/slug';
import { Refused } from '$lib/ask-server.ts';
import type { Picture } from '$lib/pictures/known.ts';

let context: CanvasRenderingContext2D | null = null;

/** How wide words are, in the serif of the page. */
export function measureWords(words: string, size: number, weight: number): number {
  context ??= document.createElement('canvas').getContext('2d')!;
  context.font = `${weight} ${size}px "Literata Variable", Georgia, serif`;
  return context.measureText(words).width;
}

/** A picture of a design as it is drawn: by its large file. */
export const coverPicture = (
  { src, focus, isCutOut }: CoverDesign['pictures'][number],
  facts: Pick<Picture, 'width' | 'height'>,
  address = `${src}?as=large`,
): CoverPicture => ({ address, ...sizeAt(facts, FILE_WIDTHS.large), focus, isCutOut });

async function dataAddress(address: string): Promise<string> {
  const response = await fetch(address).catch(() => null);
  if (!response?.ok) throw new Refused('A picture of the cover could not be fetched: try again in a moment.', 0);
  const blob = await response.blob();
  return new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => failed(new Refused('A picture of the cover could not be read.', 0));
    reader.readAsDataURL(blob);
  });
}

let font: Promise<string> | null = null;

/** The serif as CSS that goes into a picture, where no page lends it its fonts. */
export const coverFont = (): Promise<string> =>
  (font ??= Promise.all(
    [
      [literataLatinExt, 'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+1E00-1E9F,U+20A0-20C0'],
      [literataLatin, 'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+2000-206F,U+20AC,U+2122'],
    ].map(
      async ([file, range]) =>
        `@font-face{font-family:"Literata Variable";font-weight:200 900;src:url(${await dataAddress(file!)}) format("woff2");unicode-range:${range}}`,
    ),
  ).then((faces) => faces.join('')));

/** A cover drawn as a picture file. Throws Refused with a sentence when it cannot be. */
export async function coverFile(design: CoverDesign, known: Record<string, Picture>, format: 'webp' | 'png', name: string): Promise<File> {
  const pictures = await Promise.all(
    design.pictures.flatMap((p) => {
      const facts = known[p.src];
      return facts ? [dataAddress(`${p.src}?as=large`).then((address) => coverPicture(p, facts, address))] : [];
    }),
  );
  const svg = coverSvg(design, pictures, measureWords, await coverFont());
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode().catch(() => {
    throw new Refused('This browser could not draw the cover: try again, or another template.', 0);
  });
  const canvas = document.createElement('canvas');
  canvas.width = image.naturalWidth;
  canvas.height = image.naturalHeight;
  canvas.getContext('2d')!.drawImage(image, 0, 0);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, `image/${format}`, 0.9));
  if (!blob) throw new Refused('This browser gave no picture of the cover: try again.', 0);
  return new File([blob], `${slugOf(name, 60) || 'cover'}.${format}`, { type: `image/${format}` });
}
