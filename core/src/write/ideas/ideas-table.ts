import Papa from 'papaparse';
import { storable } from '../../language/storable.ts';
import { asCell } from '../../language/table-cell.ts';
import { type Idea, ideaSchema } from './idea.ts';

/** What columns may be called, for each part of an idea (own list). */
const CALLED: Readonly<Record<keyof Idea | 'link', RegExp>> = {
  line: /^(?:ideas?|titles?|topics?|headlines?|headings?|names?|posts?)$/i,
  notes: /^(?:notes?|descriptions?|comments?|details?|text)$/i,
  subject: /^(?:subjects?|categor(?:y|ies)|themes?|areas?)$/i,
  links: /^(?:links|urls|addresses)$/i,
  link: /^(?:link|url|address)$/i,
  pictures: /^pictures?$/i,
  wishedFor: /^(?:wished(?: for)?|dates?|days?|due(?: date)?|when|publish(?: date| on)?)$/i,
};

/** Ideas read from a table, and a sentence for each row that is none. */
export type IdeasRead = { ideas: Idea[]; left: string[] };

const MOST_ROWS = 5000;

/**
 * Reads ideas from a table as text (CSV, RFC 4180; semicolons and tabs too). The first row names the columns; where it names
 * none of ours, the first column is the ideas and every row is one.
 */
export function ideasFromTable(text: string): IdeasRead {
  const { data } = Papa.parse<string[]>(storable(text).replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' });
  const [head = [], ...rest] = data;
  const columns = head.map((name) => (Object.keys(CALLED) as (keyof typeof CALLED)[]).find((part) => CALLED[part].test(name.trim())));
  const isNamed = columns.includes('line');
  const rows = (isNamed ? rest : data).slice(0, MOST_ROWS);
  const left: string[] = [];
  const ideas = rows.flatMap((row, n): Idea[] => {
    const of = (part: keyof typeof CALLED) => (isNamed ? (row[columns.indexOf(part)] ?? '') : part === 'line' ? (row[0] ?? '') : '').trim();
    const where = `Row ${n + (isNamed ? 2 : 1)}`;
    const long = of('line');
    if (!long) {
      left.push(`${where} has no idea in it and was left out.`);
      return [];
    }
    // A line that is too long goes on in the notes.
    const [line, more] = long.length <= 300 ? [long, ''] : [long.slice(0, 300), long.slice(300)];
    const links = `${of('links')} ${of('link')}`.split(/[\s,;]+/).filter((link) => /^https?:\/\/\S+$/.test(link));
    const wishedFor = dayOf(of('wishedFor'));
    if (of('wishedFor') && !wishedFor) left.push(`${where}: “${of('wishedFor')}” is no date that is understood and was left out.`);
    const idea = { line, notes: [more, of('notes')].filter(Boolean).join('\n'), subject: of('subject'), links, pictures: [], wishedFor };
    try {
      return [ideaSchema.validateSync(idea)];
    } catch (cause) {
      left.push(`${where} was left out: ${(cause as Error).message}`);
      return [];
    }
  });
  if (data.length > rows.length + (isNamed ? 1 : 0))
    left.push(`A table brings at most ${MOST_ROWS.toLocaleString('en')} ideas; the rest was left out.`);
  return { ideas, left };
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** How many days a month of a year has, January being 1 (Gregorian calendar). */
function daysIn(year: number, month: number): number {
  const isLeap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
  return month === 2 && isLeap ? 29 : (DAYS[month - 1] ?? 0);
}

/** A day as YYYY-MM-DD, from that form or day.month.year and day/month/year. */
function dayOf(text: string): string | null {
  const iso = /^(\d{4})-(\d\d?)-(\d\d?)/.exec(text);
  const day = /^(\d\d?)[./](\d\d?)[./](\d{4})$/.exec(text);
  const parts = iso ? [iso[1], iso[2], iso[3]] : day ? [day[3], day[2], day[1]] : null;
  if (!parts) return null;
  const [year, month, date] = parts.map(Number) as [number, number, number];
  if (date < 1 || date > daysIn(year, month)) return null;
  return `${year}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`;
}

/** An idea with what became of it, as it goes into a table. */
export type ListedIdea = Omit<Idea, 'pictures'> & { written: string };

/** Ideas as a table (CSV, RFC 4180), with the columns `ideasFromTable` reads. */
export function ideasAsTable(ideas: readonly ListedIdea[]): string {
  const rows = ideas.map(({ line, notes, subject, links, wishedFor, written }) =>
    [line, notes, subject, links.join(' '), wishedFor ?? '', written].map(asCell),
  );
  return Papa.unparse([['idea', 'notes', 'subject', 'links', 'wished for', 'written'], ...rows], { newline: '\r\n' });
}
