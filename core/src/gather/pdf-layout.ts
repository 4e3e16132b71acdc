import { glue, linesOf, type Line, type PdfPage } from './pdf-lines.ts';
import { tablesIn } from './pdf-tables.ts';

/** An item of a list: its words, how deep it lies, and its number where it has one. */
export type PdfItem = { text: string; depth: number; start: number | null };

/** What the lines of a PDF come to. A list without a start has bullets. */
export type PdfBlock =
  | { kind: 'heading'; level: number; text: string }
  | { kind: 'paragraph'; text: string; inset: number }
  | { kind: 'list'; start: number | null; items: PdfItem[] }
  | { kind: 'table'; rows: string[][] }
  | { kind: 'picture'; number: number };

/** The blocks of a document: its lines in reading order, column by column, joined to paragraphs, headings and lists. */
export function blocksOfPages(pages: readonly PdfPage[]): PdfBlock[] {
  const lines = withoutContents(
    withoutRunningHeads(
      pages.map((page, n) => linesOf(page, n)),
      pages,
    ),
  );
  if (!lines.length) return pages.flatMap((p) => p.pictures.map(({ number }): PdfBlock => ({ kind: 'picture', number })));
  const body = usual(lines.flatMap((l) => Array<number>(l.text.length).fill(round(l.size))));
  const bodyFont = usual(lines.filter((l) => round(l.size) === body).flatMap((l) => Array<string>(l.text.length).fill(l.font)));
  return join(lines, body, bodyFont, pages);
}

const round = (size: number) => Math.round(size * 2) / 2;

function usual<T>(values: readonly T[]): T {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]![0];
}

/** All lines but those that stand at the same place of several pages and say the same, figures aside: heads, feet, page numbers. */
function withoutRunningHeads(byPage: readonly Line[][], pages: readonly PdfPage[]): Line[] {
  const isEdge = (l: Line) => l.y < pages[l.page]!.height * 0.1 || l.y > pages[l.page]!.height * 0.9;
  const shape = (l: Line) => `${Math.round(l.y / 4)}:${l.text.replace(/\d+|\b[ivxlc]+\b/gi, '#').toLowerCase()}`;
  const seen = new Map<string, Set<number>>();
  for (const line of byPage.flat().filter(isEdge)) seen.set(shape(line), (seen.get(shape(line)) ?? new Set()).add(line.page));
  const isNumber = (l: Line) => /^(?:page\s*)?[-–—\s]*\d{1,4}[-–—\s]*(?:(?:of|\/)\s*\d+)?$/i.test(l.text);
  return byPage.flat().filter((l) => !isEdge(l) || !(isNumber(l) || seen.get(shape(l))!.size >= Math.max(2, Math.min(3, byPage.length))));
}

// "Wicks . . . . . 12", or a title and far from it a page number.
const LEADER = /^(.*?)\s*(?:(?:[.·…]\s?){4,})\s*(\d{1,4}|[ivxlc]{1,5})$/i;
const FEWEST_ENTRIES = 3;

/** All lines but those of a table of contents: entries with their pages, one after the other, and its heading. */
function withoutContents(lines: readonly Line[]): Line[] {
  const pageOf = (line: Line): number | null => {
    const number = LEADER.exec(line.text)?.[2] ?? (line.cells.length === 2 ? /^\d{1,4}$/.exec(line.cells[1]!.text)?.[0] : undefined);
    return number === undefined ? null : Number.isNaN(Number(number)) ? 0 : Number(number);
  };
  const out = new Set<Line>();
  for (let at = 0; at < lines.length; at++) {
    let end = at;
    for (let last = 0; end < lines.length; end++) {
      const page = pageOf(lines[end]!);
      if (page === null || page < last) break;
      last = page;
    }
    const entries = lines.slice(at, end);
    if (entries.length < FEWEST_ENTRIES || !entries.some((line) => LEADER.test(line.text))) continue;
    for (const line of entries) out.add(line);
    const above = lines[at - 1];
    if (above && /^(?:table of )?contents$/i.test(above.text.trim())) out.add(above);
    at = end;
  }
  return lines.filter((line) => !out.has(line));
}

const BULLET = /^(?:[•·▪◦‣∙●○■□–*\uF0B7-])\s+/;
// Lines further apart than so many times the usual are of two paragraphs; some programs set lines unevenly.
const APART = 1.42;
const ENDS = /[.!?:]["'”’)]*$/;
const NUMBER = /^\(?(\d{1,3})[.)]\s+/;

function join(lines: readonly Line[], body: number, bodyFont: string, pages: readonly PdfPage[]): PdfBlock[] {
  const blocks: PdfBlock[] = [];
  const sizes = [...new Set(lines.filter((l) => round(l.size) > body + 0.9).map((l) => round(l.size)))].sort((a, b) => b - a);
  const gaps = lines.flatMap((l, i) => (i && follows(lines[i - 1]!, l) ? [l.y - lines[i - 1]!.y] : [])).filter((g) => g > 0);
  const leading = gaps.length ? usual(gaps.map((g) => Math.round(g * 2) / 2)) : body * 1.3;
  const margin = (l: Line) =>
    Math.min(...lines.filter((o) => o.page === l.page && o.column === l.column && round(o.size) === body).map((o) => o.x), l.x);
  const reach = (l: Line) =>
    Math.max(...lines.filter((o) => o.page === l.page && o.column === l.column && round(o.size) === body).map((o) => o.right), l.right);
  const margins = new Map<string, { left: number; right: number }>();
  const frame = (l: Line) => {
    const key = `${l.page}:${l.column}`;
    if (!margins.has(key)) margins.set(key, { left: margin(l), right: reach(l) });
    return margins.get(key)!;
  };
  let open: { block: PdfBlock; last: Line } | null = null;
  // How far the items that are open are set in, and their words, once a second line has shown it.
  const indents: number[] = [];
  let wordsAt = 0;
  // Some documents do not say which of their fonts are bold.
  const knowsBold = lines.some((line) => line.isBold);
  const tables = tablesIn(lines);
  const inTables = new Set([...tables.values()].flatMap((table) => table.lines));
  // A picture stands before the first line of its page that begins below it.
  const waiting = pages.flatMap((page, n) => page.pictures.map((picture) => ({ ...picture, page: n })));
  const isPast = (line: Line) =>
    waiting.length > 0 && (line.page > waiting[0]!.page || (line.page === waiting[0]!.page && line.y > waiting[0]!.y));
  for (const line of lines) {
    for (; isPast(line); open = null) blocks.push({ kind: 'picture', number: waiting.shift()!.number });
    if (inTables.has(line)) {
      const table = tables.get(line);
      if (table) blocks.push({ kind: 'table', rows: table.rows });
      open = null;
      continue;
    }
    const isBig = round(line.size) > body + 0.9;
    const isBold =
      !isBig &&
      (line.isBold || !knowsBold) &&
      line.font !== bodyFont &&
      round(line.size) >= body &&
      line.text.length < 70 &&
      !/[.,;:]$/.test(line.text);
    const before: Line | undefined = open?.last;
    const isShort = (l: Line) => l.right < frame(l).right - (frame(l).right - frame(l).left) * 0.25;
    // Other letters after a line that ends early begin something else.
    const turns = !!before && before.font !== line.font && isShort(before);
    const apart = !before || !follows(before, line) || turns || line.y - before.y > leading * APART;
    const number = NUMBER.exec(line.text);
    const bullet = BULLET.exec(line.text);
    const block: PdfBlock | undefined = open?.block;
    if (isBig || (isBold && apart && standsAlone(line, lines, leading))) {
      const level = isBig ? Math.min(4, 1 + sizes.indexOf(round(line.size))) : Math.min(4, 1 + sizes.length);
      const goesOn: boolean = block?.kind === 'heading' && !apart && round(before!.size) === round(line.size);
      if (goesOn && block?.kind === 'heading') block.text = glue(block.text, line.text);
      else blocks.push({ kind: 'heading', level: Math.max(1, level), text: line.text });
      open = { block: blocks.at(-1)!, last: line };
      continue;
    }
    const inset = line.x - frame(line).left;
    const counts =
      number &&
      (number[1] === '1' ||
        (block?.kind === 'list' && Number(number[1]) === lastNumber(block.items) + 1) ||
        countsOn(lines, line, Number(number[1])));
    if (bullet || counts) {
      const text = line.text.slice((bullet ?? number)![0].length);
      const start = bullet ? null : Number(number![1]);
      const list = block?.kind === 'list' ? block : null;
      while (indents.length && indents.at(-1)! > inset + 4) indents.pop();
      if (!list) indents.length = 0;
      if (!indents.length || inset > indents.at(-1)! + 4) indents.push(inset);
      const item = { text, depth: indents.length, start };
      const goesOn = list && (item.depth > 1 || (list.start === null) === (start === null));
      if (goesOn) list.items.push(item);
      else {
        indents.splice(0, indents.length, inset);
        blocks.push({ kind: 'list', start, items: [{ ...item, depth: 1 }] });
      }
      wordsAt = line.cells.length > 1 ? line.cells[1]!.x : 0;
      open = { block: blocks.at(-1)!, last: line };
      continue;
    }
    const acrossPages: boolean = !!before && !follows(before, line) && !ENDS.test(before.text) && /^\p{Ll}/u.test(line.text);
    const isUnder = !wordsAt || Math.abs(line.x - wordsAt) < 4;
    if (block?.kind === 'list' && (acrossPages || (!apart && isUnder && line.x > frame(line).left + 2))) {
      if (!acrossPages) wordsAt = line.x;
      const last = block.items.at(-1)!;
      last.text = glue(last.text, line.text);
      open = { block, last: line };
      continue;
    }
    const isNextItem = before && inset > SET_IN && isShort(before) && /^\p{Lu}/u.test(line.text);
    const indented = line.x > frame(line).left + 6 && before && before.x <= frame(before).left + 2;
    const endedShort = before && isShort(before) && ENDS.test(before.text);
    if (block?.kind === 'paragraph' && (acrossPages || (!apart && !indented && !endedShort && !isNextItem)))
      block.text = glue(block.text, line.text);
    else blocks.push({ kind: 'paragraph', text: line.text, inset });
    open = { block: blocks.at(-1)!, last: line };
  }
  return [...withDrawnBullets(blocks), ...waiting.map(({ number }): PdfBlock => ({ kind: 'picture', number }))];
}

const lastNumber = (items: readonly PdfItem[]): number => items.findLast((item) => item.depth === 1)?.start ?? 0;

// A list may begin with any number when the next one follows soon.
const SOON = 6;
const countsOn = (lines: readonly Line[], line: Line, number: number): boolean => {
  const at = lines.indexOf(line);
  return lines
    .slice(at + 1, at + 1 + SOON)
    .some((next) => Math.abs(next.x - line.x) < 4 && NUMBER.exec(next.text)?.[1] === String(number + 1));
};

const follows = (a: Line, b: Line) => a.page === b.page && a.column === b.column && b.y >= a.y - 2;

function standsAlone(line: Line, lines: readonly Line[], leading: number): boolean {
  const next = lines[lines.indexOf(line) + 1];
  return !next || !follows(line, next) || next.font !== line.font || next.y - line.y > leading * APART;
}

// So far from the margin, in points, words are set in.
const SET_IN = 14;
const FEWEST_ITEMS = 2;
const LONGEST_ITEM = 280;

/** Short paragraphs that are set in, one after the other, are a list: some programs draw its bullets instead of writing them. */
function withDrawnBullets(blocks: readonly PdfBlock[]): PdfBlock[] {
  const made: PdfBlock[] = [];
  for (let at = 0; at < blocks.length;) {
    const first = blocks[at]!;
    const isLike = (block: PdfBlock) =>
      block.kind === 'paragraph' &&
      first.kind === 'paragraph' &&
      Math.abs(block.inset - first.inset) < 2 &&
      block.text.length < LONGEST_ITEM;
    let end = at;
    if (first.kind === 'paragraph' && first.inset > SET_IN) while (end < blocks.length && isLike(blocks[end]!)) end++;
    if (end - at < FEWEST_ITEMS) made.push(blocks[at++]!);
    else {
      const items = blocks.slice(at, end).map((block) => ({ text: (block as { text: string }).text, depth: 1, start: null }));
      made.push({ kind: 'list', start: null, items });
      at = end;
    }
  }
  return made;
}
