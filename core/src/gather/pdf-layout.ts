/** A run of letters as a PDF places it: points from the left and from the top of its page. */
export type PdfRun = { text: string; x: number; y: number; width: number; size: number; font: string };
/** A picture on a page: how far from the top it begins, and its number among all pictures of the document. */
export type PlacedPicture = { y: number; number: number };
export type PdfPage = { width: number; height: number; runs: PdfRun[]; pictures: PlacedPicture[] };

/** What the lines of a PDF come to. A list without a start has bullets. */
export type PdfBlock =
  | { kind: 'heading'; level: number; text: string }
  | { kind: 'paragraph'; text: string }
  | { kind: 'list'; start: number | null; items: string[] }
  | { kind: 'table'; rows: string[][] }
  | { kind: 'picture'; number: number };

type Cell = { x: number; text: string };
type Line = { text: string; cells: Cell[]; x: number; right: number; y: number; size: number; font: string; page: number; column: number };

/** The blocks of a document: its lines in reading order, column by column, joined to paragraphs, headings and lists. */
export function blocksOfPages(pages: readonly PdfPage[]): PdfBlock[] {
  const lines = withoutRunningHeads(
    pages.map((page, n) => linesOf(page, n)),
    pages,
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

/** The lines of a page: runs at one height that follow one another without a gutter between. */
function linesOf(page: PdfPage, n: number): Line[] {
  const gutters = guttersOf(page);
  const columnOf = (x: number) => gutters.filter((g) => x >= g).length;
  const rows: PdfRun[][] = [];
  for (const run of page.runs) {
    const row = rows.at(-1);
    const before = row?.at(-1);
    const isSameLine =
      before &&
      Math.abs(before.y - run.y) < Math.max(2, before.size * 0.5) &&
      columnOf(before.x) === columnOf(run.x) &&
      run.x > before.x - before.size * 2;
    if (isSameLine) row!.push(run);
    else rows.push([run]);
  }
  const lines = rows
    .map((row): Line => {
      const first = row[0]!;
      const last = row.at(-1)!;
      const words = row.filter((r) => r.text.trim());
      const main = words.length ? words.reduce((a, b) => (b.text.length > a.text.length ? b : a)) : first;
      return {
        text: textOfRow(row),
        cells: cellsOf(row),
        x: first.x,
        right: last.x + last.width,
        y: first.y,
        size: main.size,
        font: main.font,
        page: n,
        column: columnOf(first.x),
      };
    })
    .filter((line) => line.text.trim());
  // What spans the gutter (a heading over both columns) comes before the columns below it.
  const spans = (line: Line) => gutters.some((g) => line.x < g - 2 && line.right > g + 2);
  let band = 0;
  const order = new Map<Line, number>();
  for (const line of [...lines].sort((a, b) => a.y - b.y)) {
    if (gutters.length && spans(line)) {
      order.set(line, ++band * 10);
      band++;
    } else order.set(line, band * 10 + line.column);
  }
  return lines.sort((a, b) => order.get(a)! - order.get(b)! || a.y - b.y || a.x - b.x);
}

function textOfRow(row: readonly PdfRun[]): string {
  let text = '';
  row.forEach((run, i) => {
    const before = row[i - 1];
    const gap = before ? run.x - (before.x + before.width) : 0;
    if (before && gap > run.size * 0.15 && !/\s$/.test(text) && !/^\s/.test(run.text)) text += ' ';
    text += run.text;
  });
  return text.replace(/\s+/g, ' ').trim();
}

/** The stretches of a row that stand apart, as cells of a table do. */
function cellsOf(row: readonly PdfRun[]): Cell[] {
  const groups: PdfRun[][] = [];
  let end = 0;
  for (const run of row) {
    // Programs fill the space between two cells with a blank run.
    if (!run.text.trim()) continue;
    if (groups.length && run.x - end < run.size * 1.2) groups.at(-1)!.push(run);
    else groups.push([run]);
    end = run.x + run.width;
  }
  return groups.map((group) => ({ x: group[0]!.x, text: textOfRow(group) }));
}

// A gutter is a white stripe down the page with many lines on both sides of it.
const GUTTER = 10;
const LEAST_LINES = 8;

function guttersOf({ runs, width }: PdfPage): number[] {
  const covered = new Uint16Array(Math.ceil(width) + 2);
  for (const { text, x, width: w } of runs) {
    if (!text.trim()) continue;
    for (let at = Math.max(0, Math.floor(x)); at <= Math.min(covered.length - 1, x + w); at++) covered[at]!++;
  }
  // A heading over both columns may cross the gutter, and little else.
  const most = Math.max(1, runs.length * 0.03);
  const found: number[] = [];
  let start = -1;
  for (let at = Math.floor(width * 0.2); at <= width * 0.8; at++) {
    const isWhite = covered[at]! <= most;
    if (isWhite && start < 0) start = at;
    if ((!isWhite || at + 1 > width * 0.8) && start >= 0) {
      const middle = (start + at) / 2;
      const left = new Set(runs.filter((r) => r.x + r.width < middle && r.text.trim()).map((r) => Math.round(r.y)));
      const right = new Set(runs.filter((r) => r.x >= middle && r.text.trim()).map((r) => Math.round(r.y)));
      const both = [...left].filter((y) => right.has(y)).length;
      const isTable = runs.filter((r) => r.x >= middle && r.text.trim()).every((r) => r.text.length < 12);
      if (at - start >= GUTTER && left.size >= LEAST_LINES && right.size >= LEAST_LINES && both >= 4 && !isTable) found.push(middle);
      start = -1;
    }
  }
  return found;
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

const BULLET = /^(?:[•·▪◦‣∙●○■□–*\uF0B7-])\s+/;
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
  const inTables = tablesIn(lines);
  // A picture stands before the first line of its page that begins below it.
  const waiting = pages.flatMap((page, n) => page.pictures.map((picture) => ({ ...picture, page: n })));
  const isPast = (line: Line) =>
    waiting.length > 0 && (line.page > waiting[0]!.page || (line.page === waiting[0]!.page && line.y > waiting[0]!.y));
  for (const line of lines) {
    for (; isPast(line); open = null) blocks.push({ kind: 'picture', number: waiting.shift()!.number });
    const rows = inTables.get(line);
    if (rows) {
      if (rows[0] === line) blocks.push({ kind: 'table', rows: rows.map((row) => row.cells.map((cell) => cell.text)) });
      open = null;
      continue;
    }
    const isBig = round(line.size) > body + 0.9;
    const isBold = !isBig && line.font !== bodyFont && round(line.size) >= body && line.text.length < 70 && !/[.,;:]$/.test(line.text);
    const before: Line | undefined = open?.last;
    const apart = !before || !follows(before, line) || line.y - before.y > leading * 1.35;
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
    if (
      bullet ||
      (number &&
        (number[1] === '1' || (block?.kind === 'list' && block.start !== null && Number(number[1]) === block.start + block.items.length)))
    ) {
      const item = line.text.slice((bullet ?? number)![0].length);
      const start = number && !bullet ? Number(number[1]) : null;
      if (block?.kind === 'list' && (block.start === null) === (start === null)) block.items.push(item);
      else blocks.push({ kind: 'list', start, items: [item] });
      open = { block: blocks.at(-1)!, last: line };
      continue;
    }
    if (block?.kind === 'list' && !apart && line.x > frame(line).left + 2) {
      block.items.push(glue(block.items.pop()!, line.text));
      open = { block, last: line };
      continue;
    }
    const acrossPages: boolean = !!before && !follows(before, line) && !/[.!?:]["'”’)]*$/.test(before.text) && /^\p{Ll}/u.test(line.text);
    const indented = line.x > frame(line).left + 6 && before && before.x <= frame(before).left + 2;
    const endedShort =
      before &&
      before.right < frame(before).right - (frame(before).right - frame(before).left) * 0.25 &&
      /[.!?:]["'”’)]*$/.test(before.text);
    if (block?.kind === 'paragraph' && (acrossPages || (!apart && !indented && !endedShort))) block.text = glue(block.text, line.text);
    else blocks.push({ kind: 'paragraph', text: line.text });
    open = { block: blocks.at(-1)!, last: line };
  }
  return [...blocks, ...waiting.map(({ number }): PdfBlock => ({ kind: 'picture', number }))];
}

/** Lines that are rows of a table: two or more in a row with as many cells, each under the one above. */
function tablesIn(lines: readonly Line[]): Map<Line, Line[]> {
  const found = new Map<Line, Line[]>();
  let run: Line[] = [];
  const isUnder = (a: Line, b: Line) =>
    a.cells.length === b.cells.length && follows(a, b) && a.cells.every((cell, i) => Math.abs(cell.x - b.cells[i]!.x) < a.size);
  const flush = () => {
    if (run.length > 1) for (const line of run) found.set(line, run);
    run = [];
  };
  for (const line of lines) {
    const isRow = line.cells.length > 1 && !BULLET.test(line.text) && !NUMBER.test(line.text);
    if (run.length && !(isRow && isUnder(run[0]!, line))) flush();
    if (isRow) run.push(line);
  }
  flush();
  return found;
}

const follows = (a: Line, b: Line) => a.page === b.page && a.column === b.column && b.y >= a.y - 2;

function standsAlone(line: Line, lines: readonly Line[], leading: number): boolean {
  const next = lines[lines.indexOf(line) + 1];
  return !next || !follows(line, next) || next.font !== line.font || next.y - line.y > leading * 1.35;
}

/** Joins a line to what stands before it; a hyphen at its end goes where the word was only cut there. */
function glue(text: string, line: string): string {
  if (/\p{L}\u00AD$/u.test(text)) return text.slice(0, -1) + line;
  if (/\p{Ll}-$/u.test(text) && /^\p{Ll}/u.test(line)) {
    const first = /[\p{L}]+$/u.exec(text.slice(0, -1))![0];
    // "well-" and "self-" keep theirs: the word before is a word, and short.
    return /^(?:well|self|half|non|co|re|pre|semi|ex|all|high|low|long|short|two|three|four|five|ten)$/i.test(first)
      ? text + line
      : text.slice(0, -1) + line;
  }
  return `${text} ${line}`;
}
