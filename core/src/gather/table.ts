import Papa from 'papaparse';
import { schema, type PostNode } from '../post/schema.ts';
import { draftOf } from './draft.ts';
import type { Format } from './formats.ts';
import { plainPassages } from './plain-text.ts';

const { nodes } = schema;
const MARKS = [',', '\t', ';'];

/** Values in rows (RFC 4180; commas, tabs or semicolons between): a table, or a list with one row per point. */
export const csv: Format = {
  kind: 'csv',
  fits: ({ text, name }) => {
    if (/\.(?:csv|tsv|tab)$/i.test(name)) return true;
    if (/\.\w{1,5}$/.test(name)) return false;
    // A paste from a spreadsheet: every line has the same number of tabs.
    const lines = text().trim().split('\n').slice(0, 50);
    const tabs = lines.map((line) => line.split('\t').length);
    return lines.length > 1 && tabs[0]! > 1 && tabs.every((n) => n === tabs[0]);
  },
  read: ({ text }, reading) => {
    const rows = Papa.parse<string[]>(text().trim(), { delimitersToGuess: MARKS, skipEmptyLines: 'greedy' }).data.map((row) =>
      row.map((cell) => cell.replace(/\s+/g, ' ').trim()),
    );
    const doc = nodes.doc.create(null, reading === 'list' ? [asList(rows)] : [tableOf(rows)]);
    if (reading === 'plain')
      return { source: { kind: 'csv', passages: plainPassages(rows.map((row) => row.filter(Boolean).join(', ')).join('\n\n')) } };
    return draftOf('csv', doc);
  },
};

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
