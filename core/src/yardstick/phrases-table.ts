import Papa from 'papaparse';
import { storable } from '../language/storable.ts';
import { asCell } from '../language/table-cell.ts';

/** A phrase people look for, and what the table it came from says of it. */
export type ListedPhrase = { phrase: string; columns: Record<string, string> };

const PHRASE = /^(?:(?:main |key |search )?(?:phrases?|terms?|words?|keywords?|quer(?:y|ies)))$/i;
const MOST_ROWS = 5000;
const MOST_COLUMNS = 20;
const MOST_LETTERS = 120;

/**
 * Reads phrases from a table as text (CSV, RFC 4180; semicolons and tabs too). The first row names the columns; the phrase is in the one
 * that says so, else in the first. Rows without a phrase are left out.
 */
export function phrasesFromTable(text: string): ListedPhrase[] {
  const { data } = Papa.parse<string[]>(storable(text).replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' });
  const [head = [], ...rest] = data;
  const named = head.findIndex((name) => PHRASE.test(name.trim()));
  const isHead = named >= 0 || (head.length > 1 && rest.length > 0);
  const at = Math.max(0, named);
  const rows = isHead ? rest : data;
  return rows.slice(0, MOST_ROWS).flatMap((row) => {
    const phrase = (row[at] ?? '').trim().slice(0, MOST_LETTERS);
    const others = isHead ? head.slice(0, MOST_COLUMNS).map((name, n) => [name.trim().slice(0, 60), n] as const) : [];
    const columns = Object.fromEntries(
      others.flatMap(([name, n]) => (n !== at && name && row[n]?.trim() ? [[name, row[n].trim().slice(0, 300)] as const] : [])),
    );
    return phrase.length > 1 ? [{ phrase, columns }] : [];
  });
}

/** Phrases as a table (CSV, RFC 4180) with all their columns, and the pieces written for each. */
export function phrasesAsTable(rows: readonly (ListedPhrase & { pieces: string[] })[]): string {
  const names = [...new Set(rows.flatMap(({ columns }) => Object.keys(columns)))];
  const lines = rows.map(({ phrase, columns, pieces }) =>
    [phrase, ...names.map((name) => columns[name] ?? ''), pieces.join('; ')].map(asCell),
  );
  return Papa.unparse([['phrase', ...names, 'pieces'].map(asCell), ...lines], { newline: '\r\n' });
}
