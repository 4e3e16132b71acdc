import { Complaint } from '../complaint.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { draftOf, plainWords } from './draft.ts';
import type { Format, GatheredPicture } from './format.ts';
import { beginsWith } from './raw.ts';
import { tableOf } from './table.ts';
import { plainPassages } from './plain-text.ts';
import { blocksOfPages, type PdfBlock, type PdfItem } from './pdf-layout.ts';
import type { PdfPage, PdfRun, PlacedPicture } from './pdf-lines.ts';
import { picturesOf } from './pdf-pictures.ts';
import { pictureAddress } from './picture-address.ts';
import { isSafeAddress } from '../post/address.ts';
import { pdfLibrary, type Annotation, type Page } from './pdf-library.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';

const MOST_PAGES = 1000;

/** PDF with a text layer (ISO 32000): columns in order, running heads and page numbers left away, hyphenation mended. */
export const pdf: Format = {
  kind: 'pdf',
  label: 'PDF',
  extensions: ['pdf'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ bytes }) => beginsWith(bytes, '%PDF-') || beginsWith(bytes, '%PDF-', 3),
  read: async ({ bytes }, reading) => {
    const { pages, links, pictures, title } = await pagesOf(bytes);
    const blocks = blocksOfPages(pages);
    if (blocks.every((block) => block.kind === 'picture')) {
      throw new Complaint('This PDF holds pictures of words, not words: have its text recognised where it was scanned, then bring it in.');
    }
    const doc = schema.node(
      'doc',
      null,
      blocks.map((block) => nodeOf(block, links)),
    );
    const details = title && !/^(?:untitled|microsoft word|.*\.\w{3,4}$)/i.test(title) ? { title } : {};
    if (reading === 'plain') return { source: { kind: 'pdf', passages: plainPassages(plainWords(doc)), ...details } };
    return { ...draftOf('pdf', doc, details), ...(pictures.length ? { pictures } : {}) };
  },
};

type Link = { text: string; href: string };

function nodeOf(block: PdfBlock, links: Link[]): PostNode {
  const { nodes } = schema;
  const words = (text: string) => linked(text, links);
  if (block.kind === 'heading') return nodes.heading.create({ level: block.level }, words(block.text));
  if (block.kind === 'paragraph') return nodes.paragraph.create(null, words(block.text));
  if (block.kind === 'table') return tableOf(block.rows);
  if (block.kind === 'picture') return nodes.picture.create({ src: pictureAddress(block.number) });
  return listOf(block.items, block.start, words);
}

/** Items as a list, those deeper than the first inside the one before them. */
function listOf(items: readonly PdfItem[], start: number | null, words: (text: string) => PostNode[]): PostNode {
  const { nodes } = schema;
  const depth = items[0]!.depth;
  const made: PostNode[] = [];
  for (let at = 0; at < items.length;) {
    let end = at + 1;
    while (end < items.length && items[end]!.depth > depth) end++;
    const inner = items.slice(at + 1, end);
    const own = nodes.paragraph.create(null, words(items[at]!.text));
    made.push(nodes.listItem.create(null, inner.length ? [own, listOf(inner, inner[0]!.start, words)] : own));
    at = end;
  }
  return start === null ? nodes.bulletList.create(null, made) : nodes.orderedList.create({ start }, made);
}

const BOLD = /bold|black|heavy|demi(?!-?light)/i;

/** Which fonts of a page are bold, by the names they have in the document. */
async function boldFonts(page: Page, names: ReadonlySet<string>): Promise<Set<string>> {
  const bold = new Set<string>();
  for (const name of names) {
    if (!page.commonObjs.has(name)) continue;
    const font = await new Promise<unknown>((resolve) => page.commonObjs.get(name, resolve));
    const { name: called = '', bold: isBold, black } = font as { name?: string; bold?: boolean; black?: boolean };
    if (isBold || black || BOLD.test(called)) bold.add(name);
  }
  return bold;
}

/** Words with the links that lie over them; they come in the order of the document. */
function linked(text: string, links: Link[]): PostNode[] {
  const found: PostNode[] = [];
  let rest = text;
  while (links.length) {
    const { text: words, href } = links[0]!;
    const at = rest.indexOf(words);
    if (at < 0) break;
    links.shift();
    if (at) found.push(schema.text(rest.slice(0, at)));
    // A link that goes on in the next line is the same one.
    const [next] = links;
    const goesOn =
      next?.href === href &&
      rest
        .slice(at + words.length)
        .trimStart()
        .startsWith(next.text);
    const long = goesOn ? `${words} ${links.shift()!.text}` : words;
    found.push(schema.text(long, [schema.marks.link.create({ href })]));
    rest = rest.slice(at + long.length);
  }
  return rest ? [...found, schema.text(rest)] : found;
}

async function pagesOf(bytes: Uint8Array) {
  const { getDocument, VerbosityLevel } = await pdfLibrary();
  const task = getDocument({
    data: Uint8Array.from(bytes),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    isOffscreenCanvasSupported: false,
    isImageDecoderSupported: false,
    verbosity: VerbosityLevel.ERRORS,
  });
  try {
    const document = await task.promise;
    if (document.numPages > MOST_PAGES) throw new Complaint(`This PDF has more than ${MOST_PAGES} pages: bring in the part you need.`);
    const pages: PdfPage[] = [];
    const links: Link[] = [];
    const pictures: GatheredPicture[] = [];
    for (let n = 1; n <= document.numPages; n++) {
      const page = await document.getPage(n);
      const [left, bottom, right, top] = page.view as [number, number, number, number];
      const { items } = await page.getTextContent();
      // Reading the pictures loads the fonts too.
      const found = await picturesOf(page, top);
      const isBold = await boldFonts(page, new Set(items.flatMap((item) => ('fontName' in item ? item.fontName : []))));
      const runs = items.flatMap((item) => {
        if (!('str' in item) || !item.str) return [];
        const [a, b, , , x, y] = item.transform as [number, number, number, number, number, number];
        return [
          {
            text: item.str,
            x: x - left,
            y: top - y,
            width: item.width,
            size: Math.hypot(a, b),
            font: item.fontName,
            isBold: isBold.has(item.fontName),
          },
        ];
      });
      links.push(...linksOf(await page.getAnnotations(), runs, left, top));
      const placed: PlacedPicture[] = [];
      for (const { y, name, bytes: png } of found) {
        placed.push({ y, number: pictures.length });
        pictures.push({ name, bytes: png });
      }
      pages.push({ width: right - left, height: top - bottom, runs, pictures: placed.sort((a, b) => a.y - b.y) });
    }
    const { info } = await document.getMetadata();
    const { Title } = info as { Title?: unknown };
    return { pages, links, pictures, title: typeof Title === 'string' ? Title.trim() : '' };
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    if ((cause as Error).name === 'PasswordException')
      throw new Complaint('This PDF is locked with a password: save it without one, then bring it in.', { cause });
    throw new Complaint('This PDF is damaged and cannot be read: save it again where it was made, then bring it in.', { cause });
  } finally {
    await task.destroy();
  }
}

/** The links of a page: the address, and the words that lie under it; those of one link on two lines follow one another. */
function linksOf(annotations: Annotation[], runs: readonly PdfRun[], left: number, top: number): Link[] {
  return annotations.flatMap(({ url, rect }) => {
    if (!url || !isSafeAddress(url)) return [];
    const [x1, y1, x2, y2] = rect as [number, number, number, number];
    const under = runs.filter((r) => r.y >= top - y2 && r.y <= top - y1 + 1 && r.x + r.width > x1 - left + 1 && r.x < x2 - left - 1);
    const text = under
      .map((r) => lettersWithin(r, x1 - left, x2 - left))
      .join('')
      .trim();
    return text ? [{ text, href: url }] : [];
  });
}

/** The whole words of a run that lie between two places, as if all letters were of one width. */
function lettersWithin({ text, x, width }: PdfRun, from: number, to: number): string {
  if (x >= from - 2 && x + width <= to + 2) return text;
  const at = (place: number) => Math.round(((place - x) / width) * text.length);
  const edges = [0, ...[...text.matchAll(/\s+/g)].flatMap((m) => [m.index, m.index + m[0].length]), text.length];
  const nearest = (place: number) => edges.reduce((best, edge) => (Math.abs(edge - place) < Math.abs(best - place) ? edge : best));
  return text.slice(nearest(at(from)), nearest(at(to)));
}
