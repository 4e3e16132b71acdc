import mammoth from 'mammoth';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { Complaint } from '../complaint.ts';
import { pathsIn, unpack } from './archive.ts';
import type { Format, GatheredPicture } from './format.ts';
import { withItems } from './docx-lists.ts';
import { isZip } from './raw.ts';
import { readRich } from './rich.ts';
import { descendants, elements, parseXml, type XmlElement } from './xml.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';

const DOCUMENT = 'word/document.xml';
const STYLES = 'word/styles.xml';
const NUMBERING = 'word/numbering.xml';

/** Office Open XML text (ECMA-376): headings by style or outline level; comments and struck-out changes are left out. */
export const docx: Format = {
  kind: 'docx',
  label: 'Word document',
  extensions: ['docx'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ bytes }) => isZip(bytes) && pathsIn(bytes).includes(DOCUMENT),
  read: async ({ bytes }, reading) => {
    const entries = unpack(bytes);
    for (const path of [DOCUMENT, STYLES, NUMBERING, 'word/footnotes.xml']) {
      const part = entries[path];
      if (part) parseXml(strFromU8(part));
    }
    const body = strFromU8(entries[DOCUMENT]!);
    const part = (path: string) => (entries[path] ? parseXml(strFromU8(entries[path])) : null);
    const styles = part(STYLES);
    const levelOf = headingLevels(styles);
    const items = withItems(
      withPlainLinks(withStyledOutline(body)),
      part(NUMBERING),
      styles,
      (style) => style.startsWith(OUTLINE) || levelOf(style) !== null,
    );
    const file = items.xml === body ? bytes : zipSync({ ...entries, [DOCUMENT]: strToU8(items.xml) }, { level: 0 });
    const pictures = new Map<string, GatheredPicture>();
    const keepPicture = mammoth.images.imgElement(async (image) => {
      const src = `picture-${pictures.size + 1}.${image.contentType.split('/')[1] ?? 'bin'}`;
      pictures.set(src, { name: src, bytes: new Uint8Array(await image.readAsArrayBuffer()) });
      return { src };
    });
    const { value, messages } = await mammoth
      .convertToHtml(inputOf(file), {
        styleMap: [...styleMap(styles, levelOf), ...items.map],
        convertImage: keepPicture,
        externalFileAccess: false,
      })
      .catch((cause: unknown) => {
        throw new Complaint('This Word file is damaged: open it in your word processor and save it again, then bring it in.', { cause });
      });
    const gathered = readRich('docx', value, reading, { pictures });
    const left = leftOut(messages.map(({ message }) => message));
    return left ? { ...gathered, notes: [...(gathered.notes ?? []), left] } : gathered;
  },
};

// In Node mammoth takes a buffer, in a browser an array buffer; each passes over the other.
const inputOf = (bytes: Uint8Array) => {
  const arrayBuffer = bytes.slice().buffer;
  const { Buffer } = globalThis as { Buffer?: { from(source: ArrayBufferLike): unknown } };
  return (Buffer ? { buffer: Buffer.from(arrayBuffer) } : { arrayBuffer }) as never;
};

// A style of our own that stands for an outline level given to a single paragraph.
const OUTLINE = 'EvenPageOutline';
const outlineStyle = (level: number) => `${OUTLINE}${level}`;

/** The document with a style in place of each outline level that a paragraph states itself. */
function withStyledOutline(xml: string): string {
  return xml.replace(/<w:pPr>((?:(?!<\/w:pPr>)[^])*?)<w:outlineLvl w:val="([0-5])"\/>/g, (_, before: string, level: string) => {
    const style = `<w:pStyle w:val="${outlineStyle(Number(level) + 1)}"/>`;
    return `<w:pPr>${style}${before.replace(/<w:pStyle [^>]*\/>/g, '')}`;
  });
}

// What a document may hold that a page has no place for, by the elements of its kinds.
const PARTS: readonly [element: RegExp, called: string][] = [
  [/m:oMath/, 'formulas'],
  [/c:chart|dgm:|wpg:|wps:|v:(?:shape|rect|oval|line|group)/, 'drawings'],
  [/o:OLEObject|w:object/, 'objects of other programs'],
];

/** What was left out, in a sentence, from what the reader says; none when nothing was. */
function leftOut(says: readonly string[]): string | null {
  const found = PARTS.filter(([part]) => says.some((line) => part.test(line))).map(([, called]) => called);
  return found.length ? `Left out, for a page has no place for them: ${found.join(', ')}.` : null;
}

/** The document with the links of its fields without switches: only the address is read (ECMA-376-1, 17.16.5.25). */
const withPlainLinks = (xml: string): string =>
  xml.replace(/(<w:instrText[^>]*>|w:instr=")\s*HYPERLINK\b([^<]*?)(?=<\/w:instrText>|"\s*[/>])/g, (whole, open: string, rest: string) => {
    const words = rest.replaceAll('&quot;', '"').match(/"[^"]*"|\S+/g) ?? [];
    let address = '';
    for (let i = 0; i < words.length; i++) {
      if (/^\\[lot]$/.test(words[i]!)) i++;
      else if (!words[i]!.startsWith('\\')) address ||= words[i]!.replaceAll('"', '');
    }
    const quote = open.endsWith('"') ? '&quot;' : '"';
    return address ? `${open} HYPERLINK ${quote}${address}${quote} ` : whole;
  });

// Paragraphs that are more than one, by the names programs give their styles.
const NAMED: readonly [names: readonly string[], html: string][] = [
  [['Title'], 'h1.title:fresh'],
  [['Subtitle'], 'p:fresh'],
  [['Quote', 'Intense Quote', 'Quotations', 'Block Text', 'Block Quotation'], 'blockquote > p:fresh'],
  [['Source Code', 'HTML Preformatted', 'Preformatted Text', 'Plain Text', 'Code'], "pre:separator('\n')"],
  [['Caption', 'Image Caption', 'Figure Caption', 'FigureCaption', 'Figure', 'Illustration'], 'p.caption:fresh'],
  [['TOC Heading', 'Contents Heading', ...[1, 2, 3, 4, 5, 6, 7, 8, 9].flatMap((n) => [`toc ${n}`, `Contents ${n}`])], '!'],
];

/** The heading level of a style: by name, by its own outline level, or by the style it is based on; null for others. */
function headingLevels(styles: XmlElement | null): (id: string | undefined, depth?: number) => number | null {
  const known = new Map((styles ? elements(styles, 'style') : []).map((style) => [style.attrs.styleId ?? '', style]));
  return function levelOf(id, depth = 0) {
    const style = id === undefined ? undefined : known.get(id);
    if (!style || depth > 10) return null;
    const name = elements(style, 'name')[0]?.attrs.val ?? '';
    const named = /^heading ([1-6])$/i.exec(name);
    if (named) return Number(named[1]);
    const [outline] = descendants(style, 'outlineLvl');
    if (outline) return Number(outline.attrs.val) <= 5 ? Number(outline.attrs.val) + 1 : null;
    return levelOf(elements(style, 'basedOn')[0]?.attrs.val, depth + 1);
  };
}

/** How paragraphs are written as HTML, by their styles. */
function styleMap(styles: XmlElement | null, levelOf: (id: string | undefined) => number | null): string[] {
  const map = [1, 2, 3, 4, 5, 6].map((level) => `p.${outlineStyle(level)} => h${level}:fresh`);
  map.push(...NAMED.flatMap(([names, html]) => names.map((name) => `p[style-name='${name}'] => ${html}`)));
  for (const style of styles ? elements(styles, 'style') : []) {
    const id = style.attrs.styleId ?? '';
    const level = style.attrs.type === 'paragraph' ? levelOf(id) : null;
    const name = elements(style, 'name')[0]?.attrs.val ?? '';
    if (level && /^[\w-]+$/.test(id) && !/^(?:heading \d|title|toc heading|contents heading)$/i.test(name))
      map.push(`p.${id} => h${level}:fresh`);
  }
  return map;
}
