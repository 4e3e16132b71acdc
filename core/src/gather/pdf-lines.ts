/** A run of letters as a PDF places it: points from the left and from the top of its page. */
export type PdfRun = { text: string; x: number; y: number; width: number; size: number; font: string; isBold: boolean };
/** A picture on a page: how far from the top it begins, and its number among all pictures of the document. */
export type PlacedPicture = { y: number; number: number };
export type PdfPage = { width: number; height: number; runs: PdfRun[]; pictures: PlacedPicture[] };

/** Letters that stand together in a line, as those of a cell do. */
export type Cell = { x: number; right: number; text: string };
/** A line of a page, and the column it stands in, counted over the page in reading order. */
export type Line = {
  text: string;
  cells: Cell[];
  x: number;
  right: number;
  y: number;
  size: number;
  font: string;
  isBold: boolean;
  page: number;
  column: number;
};

type Segment = Cell & { y: number; size: number; font: string; isBold: boolean; letters: number };
type Row = { y: number; segments: Segment[] };

// Letters further apart than so many of their size stand apart.
const APART = 0.95;
// A gutter is so wide, in points, and has so many lines on both sides, which fill their column so far.
const GUTTER = 7;
const LEAST_LINES = 5;
const FILLED = 0.55;

/**
 * The lines of a page in reading order. Where a white stripe runs down between lines on both sides, what stands above it comes
 * first, then column after column, then what stands below: the recursive cut along white space (Nagy and Seth 1984).
 */
export function linesOf(page: PdfPage, n: number): Line[] {
  const regions = cut(rowsOf(segmentsOf(page.runs)));
  return regions.flatMap((rows, column) => rows.map((row) => lineOf(row, n, column)));
}

function segmentsOf(runs: readonly PdfRun[]): Segment[] {
  const ordered = runs.filter((run) => run.text.trim()).sort((a, b) => a.y - b.y || a.x - b.x);
  const byLine: PdfRun[][] = [];
  for (const run of ordered) {
    const line = byLine.findLast((l) => Math.abs(l[0]!.y - run.y) < Math.max(1.5, Math.max(run.size, l[0]!.size) * 0.45));
    if (line) line.push(run);
    else byLine.push([run]);
    if (byLine.length > 1 && byLine.at(-2)![0]!.y > run.y) byLine.sort((a, b) => a[0]!.y - b[0]!.y);
  }
  return byLine.flatMap((line) => {
    const groups: PdfRun[][] = [];
    for (const run of line.sort((a, b) => a.x - b.x)) {
      const before = groups.at(-1)?.at(-1);
      if (before && run.x - (before.x + before.width) < Math.min(run.size, before.size) * APART) groups.at(-1)!.push(run);
      else groups.push([run]);
    }
    return groups.map((group): Segment => {
      const main = group.reduce((a, b) => (b.text.length > a.text.length ? b : a));
      const last = group.at(-1)!;
      const text = textOf(group);
      const { size, font, isBold } = main;
      return { x: group[0]!.x, right: last.x + last.width, y: line[0]!.y, size, font, isBold, text, letters: text.length };
    });
  });
}

function textOf(group: readonly PdfRun[]): string {
  let text = '';
  group.forEach((run, i) => {
    const before = group[i - 1];
    const gap = before ? run.x - (before.x + before.width) : 0;
    if (before && gap > run.size * 0.15 && !/\s$/.test(text) && !/^\s/.test(run.text)) text += ' ';
    text += run.text;
  });
  return text.replace(/\s+/g, ' ').trim();
}

function rowsOf(segments: readonly Segment[]): Row[] {
  const rows: Row[] = [];
  for (const segment of segments) {
    const row = rows.at(-1);
    if (row && Math.abs(row.y - segment.y) < 0.1) row.segments.push(segment);
    else rows.push({ y: segment.y, segments: [segment] });
  }
  return rows;
}

/** The regions of some rows in reading order. */
function cut(rows: readonly Row[], depth = 0): Row[][] {
  const found = depth < 6 ? columnsIn(rows) : null;
  if (!found) return rows.length ? [[...rows]] : [];
  const { from, to, x } = found;
  const side = (isLeft: boolean) =>
    rows
      .slice(from, to)
      .map(({ y, segments }) => ({ y, segments: segments.filter((s) => s.right <= x === isLeft) }))
      .filter((row) => row.segments.length);
  return [
    ...cut(rows.slice(0, from), depth + 1),
    ...cut(side(true), depth + 1),
    ...cut(side(false), depth + 1),
    ...cut(rows.slice(to), depth + 1),
  ];
}

type Columns = { from: number; to: number; x: number };

/** The longest run of rows that a gutter parts into two columns of text, and where it runs; null when there is none. */
function columnsIn(rows: readonly Row[]): Columns | null {
  let best: Columns | null = null;
  const edges = rows.flatMap(({ segments }) => segments.slice(1).map((s, i) => (segments[i]!.right + s.x) / 2));
  const starts = rows.flatMap(({ segments }) => segments.map((s) => s.x - GUTTER / 2));
  for (const x of new Set([...edges, ...starts].map((at) => Math.round(at)))) {
    let from = 0;
    for (let at = 0; at <= rows.length; at++) {
      const crosses = at === rows.length || rows[at]!.segments.some((s) => s.x < x && s.right > x) || gapAt(rows[at]!, x) < GUTTER;
      if (!crosses) continue;
      const found = at - from >= LEAST_LINES ? columnsAt(rows, from, at, x) : null;
      if (found && (!best || found.to - found.from > best.to - best.from)) best = found;
      from = at + 1;
    }
  }
  return best;
}

/** How wide the white is that lies around a place of a row; without letters on both sides it has no end. */
function gapAt({ segments }: Row, x: number): number {
  const left = Math.max(...segments.filter((s) => s.right <= x).map((s) => s.right), -Infinity);
  const right = Math.min(...segments.filter((s) => s.x >= x).map((s) => s.x), Infinity);
  return right - left;
}

// White so much higher than between most lines, over the whole width, parts a page into bands.
const BAND = 1.6;

/**
 * The columns in a run of rows that nothing crosses at a place: from the first band with text on both sides to the last. A left
 * column that runs on alone to the end of the page belongs to them.
 */
function columnsAt(rows: readonly Row[], from: number, to: number, x: number): Columns | null {
  const run = rows.slice(from, to);
  const gaps = run.slice(1).map((row, i) => row.y - run[i]!.y);
  const usual = [...gaps].sort((a, b) => a - b)[gaps.length >> 1] ?? 0;
  const sides = [true, false].map((isLeft) => sideOf(run, x, isLeft));
  if (sides.some((side) => !side.length)) return null;
  const widths = sides.map((side) => Math.max(...side.map((s) => s.right)) - Math.min(...side.map((s) => s.x)));
  const fills = (side: readonly Segment[], width: number) =>
    side.length > 0 && side.filter((s) => s.letters > 12 && s.right - s.x > width * FILLED).length >= side.length * 0.4;
  const edge = Math.min(...sides[1]!.map((s) => s.x));
  const bands: { start: number; end: number }[] = [];
  let [first, last] = [-1, -1];
  for (let start = 0; start < run.length;) {
    let end = start + 1;
    const leading = Math.max(usual, run[start]!.segments[0]!.size * 0.5);
    while (end < run.length && run[end]!.y - run[end - 1]!.y <= leading * BAND) end++;
    const band = run.slice(start, end);
    const [left, right] = [sideOf(band, x, true), sideOf(band, x, false)];
    const isText = fills(left, widths[0]!) && fills(right, widths[1]!);
    const goesOn = first >= 0 && to === rows.length && !right.length && fills(left, widths[0]!);
    bands.push({ start, end });
    if (isText && first < 0) first = start;
    if (isText || goesOn) last = end;
    start = end;
  }
  if (first < 0) return null;
  // Few lines above and below, as a heading in one column and the end of a list in the other, belong to them too.
  const isPart = ({ start, end }: { start: number; end: number }) => {
    const band = run.slice(start, end);
    const right = sideOf(band, x, false);
    const isSingle = (row: Row, isLeft: boolean) => sideOf([row], x, isLeft).filter((s) => s.letters > 3).length < 2;
    return (
      right.length > 0 && right.every((s) => s.x < edge + s.size * 4) && band.every((row) => isSingle(row, true) && isSingle(row, false))
    );
  };
  for (let n = bands.findIndex((b) => b.start === first) - 1; n >= 0 && isPart(bands[n]!); n--) first = bands[n]!.start;
  for (let n = bands.findIndex((b) => b.end === last) + 1; n > 0 && n < bands.length && isPart(bands[n]!); n++) last = bands[n]!.end;
  const found = run.slice(first, last);
  const hasLines = [true, false].every((isLeft) => new Set(sideOf(found, x, isLeft).map((s) => s.y)).size >= LEAST_LINES);
  return hasLines ? { from: from + first, to: from + last, x } : null;
}

const sideOf = (rows: readonly Row[], x: number, isLeft: boolean): Segment[] =>
  rows.flatMap((row) => row.segments.filter((s) => s.right <= x === isLeft));

function lineOf({ y, segments }: Row, page: number, column: number): Line {
  const main = segments.reduce((a, b) => (b.letters > a.letters ? b : a));
  return {
    text: segments.map((s) => s.text).join(' '),
    cells: segments.map(({ x, right, text }) => ({ x, right, text })),
    x: segments[0]!.x,
    right: segments.at(-1)!.right,
    y,
    size: main.size,
    font: main.font,
    isBold: main.isBold,
    page,
    column,
  };
}

/** Joins a line to what stands before it; a hyphen at its end goes where the word was only cut there. */
export function glue(text: string, line: string): string {
  if (/\p{L}\u00AD$/u.test(text)) return text.slice(0, -1) + line;
  if (/\p{Ll}[-\u2010]$/u.test(text) && /^\p{Ll}/u.test(line)) {
    const first = /[\p{L}]+$/u.exec(text.slice(0, -1))![0];
    // "well-" and "self-" keep theirs: the word before is a word, and short.
    return /^(?:well|self|half|non|co|re|pre|semi|ex|all|high|low|long|short|two|three|four|five|ten)$/i.test(first)
      ? text + line
      : text.slice(0, -1) + line;
  }
  return `${text} ${line}`;
}
