import mammoth from 'mammoth';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { Complaint } from '../complaint.ts';
import { pathsIn, unpack } from './archive.ts';
import type { Format, GatheredPicture } from './formats.ts';
import { isZip } from './raw.ts';
import { readRich } from './rich.ts';
import { descendants, elements, parseXml, type XmlElement } from './xml.ts';

const DOCUMENT = 'word/document.xml';
const STYLES = 'word/styles.xml';

/** Office Open XML text (ECMA-376): headings by style or outline level; comments and struck-out changes are left out. */
export const docx: Format = {
  kind: 'docx',
  fits: ({ bytes }) => isZip(bytes) && pathsIn(bytes).includes(DOCUMENT),
  read: async ({ bytes }, reading) => {
    const entries = unpack(bytes);
    for (const path of [DOCUMENT, STYLES, 'word/numbering.xml', 'word/footnotes.xml']) {
      const part = entries[path];
      if (part) parseXml(strFromU8(part));
    }
    const body = strFromU8(entries[DOCUMENT]!);
    const outlined = withStyledOutline(body);
    const file = outlined === body ? bytes : zipSync({ ...entries, [DOCUMENT]: strToU8(outlined) }, { level: 0 });
    const styles = entries[STYLES] ? parseXml(strFromU8(entries[STYLES])) : null;
    const pictures = new Map<string, GatheredPicture>();
    const keepPicture = mammoth.images.imgElement(async (image) => {
      const src = `picture-${pictures.size + 1}.${image.contentType.split('/')[1] ?? 'bin'}`;
      pictures.set(src, { name: src, bytes: new Uint8Array(await image.readAsArrayBuffer()) });
      return { src };
    });
    const { value } = await mammoth
      .convertToHtml(inputOf(file), { styleMap: styleMap(styles), convertImage: keepPicture, externalFileAccess: false })
      .catch((cause: unknown) => {
        throw new Complaint('This Word file is damaged: open it in your word processor and save it again, then bring it in.', { cause });
      });
    return readRich('docx', value, reading, { pictures });
  },
};

// In Node mammoth takes a buffer, in a browser an array buffer; each passes over the other.
const inputOf = (bytes: Uint8Array) => {
  const arrayBuffer = bytes.slice().buffer;
  const { Buffer } = globalThis as { Buffer?: { from(source: ArrayBufferLike): unknown } };
  return (Buffer ? { buffer: Buffer.from(arrayBuffer) } : { arrayBuffer }) as never;
};

// A style of our own that stands for an outline level given to a single paragraph.
const outlineStyle = (level: number) => `EvenPageOutline${level}`;

/** The document with a style in place of each outline level that a paragraph states itself. */
function withStyledOutline(xml: string): string {
  return xml.replace(/<w:pPr>((?:(?!<\/w:pPr>)[^])*?)<w:outlineLvl w:val="([0-5])"\/>/g, (_, before: string, level: string) => {
    const style = `<w:pStyle w:val="${outlineStyle(Number(level) + 1)}"/>`;
    return `<w:pPr>${style}${before.replace(/<w:pStyle [^>]*\/>/g, '')}`;
  });
}

/** Which styles are headings: by name, by their own outline level, or by the style they are based on. */
function styleMap(styles: XmlElement | null): string[] {
  const map = [1, 2, 3, 4, 5, 6].map((level) => `p.${outlineStyle(level)} => h${level}:fresh`);
  map.push(
    "p[style-name='Title'] => h1.title:fresh",
    "p[style-name='Subtitle'] => p:fresh",
    "p[style-name='Quote'] => blockquote > p:fresh",
    "p[style-name='Intense Quote'] => blockquote > p:fresh",
    "p[style-name='Quotations'] => blockquote > p:fresh",
  );
  if (!styles) return map;
  const known = new Map(elements(styles, 'style').map((style) => [style.attrs.styleId ?? '', style]));
  const levelOf = (id: string | undefined, depth = 0): number | null => {
    const style = id === undefined ? undefined : known.get(id);
    if (!style || depth > 10) return null;
    const name = elements(style, 'name')[0]?.attrs.val ?? '';
    const named = /^heading ([1-6])$/i.exec(name);
    if (named) return Number(named[1]);
    const [outline] = descendants(style, 'outlineLvl');
    if (outline) return Number(outline.attrs.val) <= 5 ? Number(outline.attrs.val) + 1 : null;
    return levelOf(elements(style, 'basedOn')[0]?.attrs.val, depth + 1);
  };
  for (const [id, style] of known) {
    const level = style.attrs.type === 'paragraph' ? levelOf(id) : null;
    const name = elements(style, 'name')[0]?.attrs.val ?? '';
    if (level && /^[\w-]+$/.test(id) && !/^(?:heading \d|title)$/i.test(name)) map.push(`p.${id} => h${level}:fresh`);
  }
  return map;
}
