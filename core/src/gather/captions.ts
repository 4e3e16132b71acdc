import { Complaint } from '../complaint.ts';
import { readTime } from '../language/times.ts';
import { onceSaid } from './rolling.ts';
import type { SaidBy } from './speaker.ts';
import type { Passage } from './source.ts';

const ARROW = /^\s*([\d:.,]+)\s*-->\s*([\d:.,]+)/;

/** What stands in a cue after its timing line, as plain words. */
export type CueText = (raw: string) => SaidBy;

/** The line that gives a cue its times, told by its arrow. */
export function isTimingLine(line: string): boolean {
  return ARROW.test(line);
}

/**
 * The passages of a list of caption blocks, as SRT and WebVTT share them: an optional name line, a timing
 * line, then text. Blocks without a timing line are passed over; cues without words are kept out.
 */
export function readCues(text: string, cueText: CueText): Passage[] {
  const passages: Passage[] = [];
  let current: { startMs: number; endMs: number; lines: string[] } | null = null;
  const close = () => {
    if (!current) return;
    const said = cueText(current.lines.join('\n'));
    const { startMs, endMs } = current;
    if (said.text.trim()) passages.push({ ...said, text: said.text.trim(), startMs, endMs });
    current = null;
  };
  const lines = text.split('\n');
  lines.forEach((line, i) => {
    const times = ARROW.exec(line);
    if (times) {
      // A number line directly above belongs to this cue, not to the words of the one before it.
      if (current && /^\s*\d+\s*$/.test(lines[i - 1] ?? '') && current.lines.at(-1) === lines[i - 1]) current.lines.pop();
      close();
      const startMs = readTime(times[1]!);
      const endMs = readTime(times[2]!);
      if (startMs === null || endMs === null) return;
      current = { startMs, endMs: Math.max(startMs, endMs), lines: [] };
    } else if (!line.trim()) {
      // Some programs leave an empty line inside a cue: it ends here only if a new cue follows.
      if (startsCue(lines, i + 1)) close();
      else current?.lines.push('');
    } else current?.lines.push(line);
  });
  close();
  if (!passages.length)
    throw new Complaint('No captions with words were found in this file: open it in a text editor to see what it holds.');
  return onceSaid(passages);
}

function startsCue(lines: string[], at: number): boolean {
  while (at < lines.length && !lines[at]!.trim()) at++;
  if (at >= lines.length) return true;
  return isTimingLine(lines[at]!) || isTimingLine(lines[at + 1] ?? '') || /^(NOTE|STYLE|REGION)\b/.test(lines[at]!);
}

const ENTITY: Record<string, string> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&nbsp;': ' ',
  '&lrm;': '',
  '&rlm;': '',
};

/** Cue text without tags, with the entities WebVTT knows spelt out. */
export function plainCueText(raw: string): string {
  return raw.replace(/<[^<>]*>/g, '').replace(/&(?:amp|lt|gt|nbsp|lrm|rlm);/g, (e) => ENTITY[e]!);
}

/** Words without the style tags that caption programs leave in them; other angle brackets are words. */
export const withoutStyles = (text: string) => text.replace(/<\/?(?:b|i|u|c|v|font)\b[^<>]*>/gi, '');
