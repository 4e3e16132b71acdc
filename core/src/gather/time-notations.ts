import { withoutStyles } from './captions.ts';
import { TIME_MARK, readTime } from '../language/times.ts';

/** The time mark of a line, who speaks where it says so, and the words behind it. */
export type MarkedLine = { startMs: number; endMs?: number; speaker?: string; rest: string; isTrailing?: boolean };

/** One way in which transcripts write times: reads a line, or says that it is none of its kind. */
type Notation = (line: string) => MarkedLine | null;

// The same mark without groups of its own.
const TIME = TIME_MARK.replace(/\((?!\?)/g, '(?:');
const NAME = String.raw`\p{Lu}[\p{L}.'’ -]{0,40}?(?: \d{1,2})?`;

const at = (mark: string | undefined): number | null => (mark === undefined ? null : readTime(mark));

// [00:00:05.000 --> 00:00:09.000] words; 0:05-0:09 words; 0:00:05.000,0:00:09.000
const BETWEEN = String.raw`\s*(?:-->|[-–—,]|to)\s*`;
const RANGE = new RegExp(
  String.raw`^\s*(?:[[(]\s*(${TIME})${BETWEEN}(${TIME})\s*[\])]|(${TIME})${BETWEEN}(${TIME})(?=\s|$))(?:\s*[-–—:|]\s+|\s*)`,
);
const range: Notation = (line) => {
  const m = RANGE.exec(line);
  const startMs = at(m?.[1] ?? m?.[3]);
  const endMs = at(m?.[2] ?? m?.[4]);
  if (!m || startMs === null || endMs === null || endMs < startMs) return null;
  return { startMs, endMs, rest: line.slice(m[0].length) };
};

// #00:00:05-0# words, and words #00:00:05-0#, with tenths of a second behind the dash
const HASHED = String.raw`#(${TIME})(?:-(\d))?#`;
const tenths = (m: RegExpExecArray): number | null => {
  const ms = at(m[1]);
  return ms === null ? null : ms + 100 * Number(m[2] ?? 0);
};
const LEADING_HASH = new RegExp(String.raw`^\s*${HASHED}\s*`);
const TRAILING_HASH = new RegExp(String.raw`\s*${HASHED}\s*$`);
const hashed: Notation = (line) => {
  const leading = LEADING_HASH.exec(line);
  const trailing = leading ? null : TRAILING_HASH.exec(line);
  const m = leading ?? trailing;
  const startMs = m && tenths(m);
  if (!m || startMs === null) return null;
  return trailing ? { startMs, rest: line.slice(0, m.index), isTrailing: true } : { startMs, rest: line.slice(m[0].length) };
};

// A name before the mark; the mark then stands in brackets or ends its line: Ada Hale (0:05) words; [Speaker 1] 0:05
const NAMED = new RegExp(String.raw`^\s*(?:\[(${NAME})\]|(${NAME}))\s*:?\s+(?:[[(]\s*(${TIME})\s*[\])]|(${TIME})\s*$)\s*:?\s*`, 'u');
const named: Notation = (line) => {
  const m = NAMED.exec(line);
  const startMs = at(m?.[3] ?? m?.[4]);
  return m && startMs !== null ? { startMs, speaker: (m[1] ?? m[2])!.trim(), rest: line.slice(m[0].length) } : null;
};

// [1:02], (00:01:02), 1:02 or 00:01:02: at the start of a line; the last has its lines of words between bars.
const LEADING = new RegExp(
  String.raw`^\s*(?:[[(]\s*(${TIME})\s*[\])](?:\s*[-–—:|]\s+|\s*)|(${TIME})(?:\s*[-–—:|]\s+|\s+|(:)(?=[^\d\s])|$))`,
);
const leading: Notation = (line) => {
  const m = LEADING.exec(line);
  const startMs = at(m?.[1] ?? m?.[2]);
  if (!m || startMs === null) return null;
  const rest = line.slice(m[0].length);
  return { startMs, rest: m[3] ? rest.replaceAll('|', '\n') : rest };
};

const NOTATIONS: readonly Notation[] = [range, hashed, named, leading];

/** The time mark of a line, in whatever notation; null when it has none. */
export function markOf(line: string): MarkedLine | null {
  for (const notation of NOTATIONS) {
    const found = notation(line);
    if (found) return { ...found, rest: withoutStyles(found.rest) };
  }
  return null;
}
