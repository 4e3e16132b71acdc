import { glue, type Line } from './pdf-lines.ts';

/** A stretch of a page as wide as the cells of one column of a table. */
type PdfSpan = { x: number; right: number };

// Rows further apart than so many of their size are none of one table.
const APART = 3.4;
// Lines so near to one another, in their size, are of one row.
const TIGHT = 1.36;
const FEWEST_ROWS = 2;
const MARK = /^(?:[•·▪◦‣∙●○■□–*\uF0B7-]|\(?\d{1,3}[.)])$/;

/**
 * The tables among lines, each by its first line, with its rows as words: rows whose cells stand under one another with white
 * between the columns. A line whose cells only go on below is part of the row above it, and a cell over several columns stands
 * in the first of them.
 */
export function tablesIn(lines: readonly Line[]): Map<Line, { lines: Line[]; rows: string[][] }> {
  const found = new Map<Line, { lines: Line[]; rows: string[][] }>();
  for (let at = 0; at < lines.length; at++) {
    const run = runFrom(lines, at);
    if (!run) continue;
    found.set(lines[at]!, { lines: run.lines, rows: rowsOf(run.lines, run.columns) });
    at += run.lines.length - 1;
  }
  return found;
}

const isRow = (line: Line): boolean => line.cells.length > 1 && !MARK.test(line.cells[0]!.text);

/** The lines from a place on that are a table, and its columns; null when there is none. */
function runFrom(lines: readonly Line[], at: number): { lines: Line[]; columns: PdfSpan[] } | null {
  const first = lines[at]!;
  if (!isRow(first)) return null;
  let columns: PdfSpan[] = first.cells;
  let end = at + 1;
  for (; end < lines.length; end++) {
    const [line, before] = [lines[end]!, lines[end - 1]!];
    if (line.page !== before.page || line.column !== before.column || line.y - before.y > Math.max(line.size, before.size) * APART) break;
    if (line.cells.length === 1 && line.y - before.y >= line.size * TIGHT && columns.filter((c) => meets(c, line.cells[0]!)).length > 1)
      break;
    if (line.cells.length === 1 && line.font !== before.font) break;
    const next = joined([...columns, ...line.cells]);
    if (next.length < columns.length && line.cells.length === 1) break;
    if (next.length >= columns.length || end - at < FEWEST_ROWS) {
      if (next.length < 2) break;
      columns = next;
    }
  }
  const run = lines.slice(at, end);
  // What ends it are full rows: words below a table are none of it.
  while (run.length && run.at(-1)!.cells.length === 1 && (isEven(run) || !isTight(run, run.length - 1))) run.pop();
  return run.filter(isRow).length >= FEWEST_ROWS ? { lines: run, columns } : null;
}

const meets = (a: PdfSpan, b: PdfSpan): boolean => a.x < b.right && b.x < a.right;

/** Stretches that lie over one another as one, from left to right. */
function joined(stretches: readonly PdfSpan[]): PdfSpan[] {
  const all: PdfSpan[] = [];
  for (const { x, right } of [...stretches].sort((a, b) => a.x - b.x)) {
    const last = all.at(-1);
    if (last && x < last.right) last.right = Math.max(last.right, right);
    else all.push({ x, right });
  }
  return all;
}

const isTight = (lines: readonly Line[], n: number): boolean => n > 0 && lines[n]!.y - lines[n - 1]!.y < lines[n]!.size * TIGHT;

/** Whether the rows of a table follow one another as closely as the lines of one: then each line that has its first cell is a row. */
const isEven = (lines: readonly Line[]): boolean =>
  lines.some(
    (line, n) => n > 0 && isRow(line) && isRow(lines[n - 1]!) && isTight(lines, n) && isFirst(lines, line) && isFirst(lines, lines[n - 1]!),
  );

const isFirst = (lines: readonly Line[], line: Line): boolean => line.x < Math.min(...lines.map((l) => l.x)) + line.size;

function rowsOf(lines: readonly Line[], given: readonly PdfSpan[]): string[][] {
  const rows: string[][] = [];
  // A head that stands in the middle of its columns may lie over none of their cells.
  const own = joined(lines.slice(1).flatMap((line) => line.cells));
  const isCentred = own.length < given.length && lines[0]!.cells.length === own.length;
  const columns = isCentred ? own : given;
  const even = isEven(lines);
  lines.forEach((line, n) => {
    const cells = columns.map(() => '');
    for (const [i, cell] of line.cells.entries()) {
      const at =
        isCentred && n === 0
          ? i
          : Math.max(
              0,
              columns.findIndex((column) => meets(column, cell)),
            );
      cells[at] = `${cells[at]!} ${cell.text}`.trim();
    }
    const goesOn = even ? n > 0 && !cells[0] : isTight(lines, n);
    if (goesOn) rows[rows.length - 1] = rows.at(-1)!.map((words, i) => (cells[i] ? glue(words, cells[i]).trim() : words));
    else rows.push(cells);
  });
  return rows;
}
