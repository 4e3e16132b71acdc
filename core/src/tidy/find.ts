import { Complaint } from '../complaint.ts';
import { literalPattern } from '../language/literal-pattern.ts';
import { isMark, type Edit, type Tidied } from './edit.ts';

/** What to look for: plain words or a regular expression, as whole words, with the capitals as typed. */
export type Query = { find: string; wholeWord: boolean; matchCase: boolean; isPattern: boolean };

/** A place found, and what would stand there. */
export type FoundWords = { from: number; to: number; after: string };

const MOST_MATCHES = 5000;

/**
 * Every place in a text that fits a query. In a pattern, `$1` of the replacement is its first group.
 * Throws a Complaint when the pattern is no regular expression.
 */
export function findMatches(text: string, query: Query, replacement = ''): FoundWords[] {
  if (!query.find) return [];
  const pattern = patternOf(query);
  const found: FoundWords[] = [];
  for (const m of text.matchAll(pattern)) {
    if (!m[0]) continue;
    const after = query.isPattern ? filledIn(replacement, m) : replacement;
    found.push({ from: m.index, to: m.index + m[0].length, after });
    if (found.length >= MOST_MATCHES) break;
  }
  return found;
}

/** A replacement with what a match found in place of its signs (ECMA-262, GetSubstitution): $$, $&, $1 to $99, $<name>. */
function filledIn(replacement: string, m: RegExpExecArray): string {
  return replacement.replace(/\$(?:([$&])|(\d\d?)|<([^>]*)>)/g, (sign, plain: string, digits: string, name: string) => {
    if (plain) return plain === '$' ? '$' : m[0];
    if (name !== undefined) return m.groups ? (m.groups[name] ?? '') : sign;
    for (const figures of [digits, digits.slice(0, 1)]) {
      const n = Number(figures);
      if (n >= 1 && n < m.length) return (m[n] ?? '') + digits.slice(figures.length);
    }
    return sign;
  });
}

function patternOf({ find, wholeWord, matchCase, isPattern }: Query): RegExp {
  const source = isPattern ? `(?:${find})` : literalPattern(find).replace(/\s+/g, '\\s+');
  const bounded = wholeWord ? `(?<![\\p{L}\\p{N}])${source}(?![\\p{L}\\p{N}])` : source;
  try {
    return new RegExp(bounded, matchCase ? 'gu' : 'giu');
  } catch {
    throw new Complaint('This is not a regular expression: look for a bracket that is not closed, or put \\ before a mark.');
  }
}

/**
 * The repair that replaces a match in tidied text, and the repairs it swallows: those that made the words it stands
 * in. What they had put around the match stays.
 */
export function replaceMatch(tidied: Tidied, edits: readonly Edit[], match: FoundWords): { take: Edit; drop: Edit[] } {
  const runs = tidied.runs.filter((run) => run.at < match.to && match.from < run.at + run.length);
  const [first, last] = [runs[0]!, runs.at(-1)!];
  const madeBy = (run: (typeof runs)[number]) => edits.find((e) => e.from === run.from && e.after.length === run.length)!;
  const from = first.made ? first.from : first.from + match.from - first.at;
  const to = last.made ? madeBy(last).to : last.from + match.to - last.at;
  const prefix = first.made ? tidied.text.slice(first.at, match.from) : '';
  const suffix = last.made ? tidied.text.slice(match.to, last.at + last.length) : '';
  const drop = edits.filter(
    (e) => !isMark(e) && e.from >= from && e.to <= to && (e.from < e.to || (e.from > from && e.from < to) || first.made || last.made),
  );
  const before = tidied.flow.text.slice(from, to);
  return { take: { kind: 'replaced', from, to, before, after: prefix + match.after + suffix, reason: 'Replaced by you' }, drop };
}
