import Papa from 'papaparse';
import { schema, type PostNode } from '../post/schema.ts';
import { readTime } from '../language/times.ts';
import { draftOf } from './draft.ts';
import { isNamedAs, type Format } from './format.ts';
import { plainPassages } from './plain-text.ts';
import type { Passage } from './source.ts';
import { PLAIN } from './readings.ts';

const { nodes } = schema;
const MARKS = [',', '\t', ';'];

/** Values in rows (RFC 4180; commas, tabs or semicolons between): a table, or a list with one row per point. */
export const csv: Format = {
  kind: 'csv',
  label: 'table',
  extensions: ['csv', 'tsv', 'tab'],
  readings: [{ name: 'structure', label: 'As a table' }, { name: 'list', label: 'As a list' }, PLAIN],
  fits: ({ text, name }) => {
    if (isNamedAs(csv, name)) return true;
    if (/\.\w{1,5}$/.test(name)) return false;
    // A paste from a spreadsheet: every line has the same number of tabs.
    const lines = text().trim().split('\n').slice(0, 50);
    const tabs = lines.map((line) => line.split('\t').length);
    return lines.length > 1 && tabs[0]! > 1 && tabs.every((n) => n === tabs[0]);
  },
  read: ({ text }, reading) => {
    const { body, mark } = declaredMark(text().trim());
    const rows = Papa.parse<string[]>(body, {
      ...(mark ? { delimiter: mark } : {}),
      delimitersToGuess: MARKS,
      skipEmptyLines: 'greedy',
    }).data.map((row) => row.map((cell) => cell.replace(/\s+/g, ' ').trim()));
    const spoken = reading === 'structure' ? spokenRows(rows) : null;
    if (spoken) return { source: { kind: 'timed-text', passages: spoken } };
    const doc = nodes.doc.create(null, reading === 'list' ? [asList(withOneHead(rows))] : [tableOf(withOneHead(rows))]);
    if (reading === 'plain')
      return { source: { kind: 'csv', passages: plainPassages(rows.map((row) => row.filter(Boolean).join(', ')).join('\n\n')) } };
    return draftOf('csv', doc);
  },
};

/** Values without the line by which spreadsheets say what stands between them (`sep=;`; common practice, no source). */
function declaredMark(text: string): { body: string; mark?: string } {
  const said = /^"?sep=(.)"?[ \t]*\n/i.exec(text);
  return said ? { body: text.slice(said[0].length), mark: said[1]! } : { body: text };
}

/**
 * Rows with one head: a first row that names groups of columns, with the names of the columns below it, says both in each.
 * A group is named in its first column and the cells beside it are empty.
 */
function withOneHead(rows: string[][]): string[][] {
  const [groups = [], heads = [], ...body] = rows;
  const isGroup =
    groups.length > 2 &&
    groups.some((cell, i) => i > 0 && !cell) &&
    heads.length >= groups.length &&
    heads.every((cell, i) => cell || groups[i]);
  const isHead =
    isGroup &&
    body.length > 0 &&
    heads.every((cell) => !/^-?[\d.,]+$/.test(cell)) &&
    groups.filter(Boolean).length < heads.filter(Boolean).length;
  if (!isHead) return rows;
  let group = '';
  const joined = heads.map((head, i) => {
    group = groups[i] || (head ? group : '');
    return [group, head].filter((part, k, all) => part && all.indexOf(part) === k).join(': ');
  });
  return [joined, ...body];
}

const HEADS = {
  start: /^(?:start|begin|from|in|time|times?tamp|time ?code|start ?time|time ?in)\b/i,
  text: /^(?:text|words?|transcript(?:ion)?|captions?|subtitles?|content|utterance|dialogue|speech)\b/i,
  speaker: /^(?:speaker|voice|name|who|person)\b/i,
};
const FEWEST_ROWS = 3;
const MOST_ODD = 0.1;

/** The passages of a transcript in columns, told by its times, which only go on, and by its heads; null for any other table. */
function spokenRows(rows: readonly string[][]): Passage[] | null {
  const [head = []] = rows;
  const column = (pattern: RegExp) => head.findIndex((cell) => pattern.test(cell));
  const hasHead = column(HEADS.start) >= 0 && column(HEADS.text) >= 0;
  const body = hasHead ? rows.slice(1) : rows;
  const width = Math.max(...rows.map((row) => row.length));
  const all = Array.from({ length: width }, (_, c) => body.map((row) => row[c] ?? ''));
  const isTimes = (cells: readonly string[]) => cells.filter((cell) => readTime(cell) === null).length <= MOST_ODD * cells.length;
  const times = all.map((cells, c) => (isTimes(cells) ? c : -1)).filter((c) => c >= 0);
  const [start, end] = times;
  if (start === undefined || body.length < FEWEST_ROWS) return null;
  // A programme of an evening has hours and minutes: without heads only times with seconds are those of a recording.
  if (!hasHead && !all[start]!.every((cell) => cell.split(':').length === 3)) return null;
  const text = hasHead
    ? column(HEADS.text)
    : all.map((cells, c) => ({ c, size: cells.join('').length })).sort((a, b) => b.size - a.size)[0]!.c;
  if (times.includes(text)) return null;
  const other = all.findIndex((cells, c) => c !== text && !times.includes(c) && new Set(cells).size < cells.length / 2 + 1);
  const speaker = hasHead ? column(HEADS.speaker) : other;
  // Whatever else it says would be lost.
  const told = new Set([...times, text, speaker]);
  if (all.some((cells, c) => !told.has(c) && cells.some((cell) => /\p{L}/u.test(cell)))) return null;
  const passages = body.flatMap((row): Passage[] => {
    const [startMs, endMs] = [readTime(row[start] ?? ''), end === undefined ? null : readTime(row[end] ?? '')];
    if (!row[text]) return [];
    return [
      {
        text: row[text],
        ...(startMs === null ? {} : { startMs }),
        ...(endMs === null || startMs === null || endMs < startMs ? {} : { endMs }),
        ...(speaker >= 0 && row[speaker] ? { speaker: row[speaker] } : {}),
      },
    ];
  });
  const goesOn = passages.every((p, i) => !i || (p.startMs ?? Infinity) >= (passages[i - 1]!.startMs ?? 0));
  return goesOn ? passages : null;
}

const words = (text: string) => (text ? schema.text(text) : null);

/** A table of the post; its first row is its head. */
export function tableOf(rows: readonly string[][]): PostNode {
  const width = Math.max(1, ...rows.map((row) => row.length));
  return nodes.table.create(
    null,
    rows.map((row, n) =>
      nodes.tableRow.create(
        null,
        Array.from({ length: width }, (_, i) => (n ? nodes.tableCell : nodes.tableHeader).create(null, words(row[i] ?? ''))),
      ),
    ),
  );
}

/** A point for each row: its first value, then the others under the names of their columns. */
function asList(rows: readonly string[][]): PostNode {
  const [head = [], ...body] = rows;
  const points = (body.length ? body : rows).map((row) => {
    const rest = row.slice(1).map((value, i) => (value ? `${head[i + 1] && body.length ? `${head[i + 1]}: ` : ''}${value}` : ''));
    return [row[0] ?? '', ...rest].filter(Boolean).join('; ');
  });
  return nodes.bulletList.create(
    null,
    points.map((point) => nodes.listItem.create(null, nodes.paragraph.create(null, words(point)))),
  );
}
