import { fromHtml } from 'hast-util-from-html';
import { toString } from 'hast-util-to-string';
import { Complaint } from '../complaint.ts';
import { readTime } from '../language/times.ts';
import { onceSaid } from './rolling.ts';
import { splitSpeaker, type SaidBy } from './speaker.ts';
import type { Passage } from './source.ts';

const ARROW = /^\s*([\d:.,]+)\s*-->\s*([\d:.,]+)/;

/** What stands in a cue after its timing line, as plain words; several when several speak. */
export type CueText = (raw: string) => SaidBy[];

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
    const said = cueText(current.lines.join('\n')).filter(({ text }) => text.trim());
    const letters = said.reduce((sum, { text }) => sum + text.length, 0);
    // Of a cue that several share, each has as much time as letters.
    let { startMs } = current;
    for (const [i, one] of said.entries()) {
      const endMs =
        i === said.length - 1 ? current.endMs : startMs + Math.round(((current.endMs - current.startMs) * one.text.length) / letters);
      passages.push({ ...one, text: one.text.trim(), startMs, endMs });
      startMs = endMs;
    }
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

// Marks of the direction of writing say nothing in a line of words.
const UNSEEN = /[\u200E\u200F\u202A-\u202E]/g;

/** Cue text without tags, with entities spelt out: those of HTML and numbers. */
export function plainCueText(raw: string): string {
  return toString(fromHtml(raw.replace(/<[^<>]*>/g, '').replaceAll('<', '&lt;'), { fragment: true }))
    .replaceAll('\u00A0', ' ')
    .replace(UNSEEN, '');
}

/** The words of a cue by who says them: a dash at the head of each of its lines is a change of voice. */
export function voicesOf(words: string): SaidBy[] {
  const lines = words.split('\n').filter((line) => line.trim());
  const isShared = lines.length > 1 && lines.every((line) => /^\s*[-–—]\s?\S/.test(line));
  return isShared ? lines.map((line) => splitSpeaker(line.replace(/^\s*[-–—]\s?/, ''))) : [splitSpeaker(words)];
}

/** Words without the style tags that caption programs leave in them; other angle brackets are words. */
export const withoutStyles = (text: string) => text.replace(/<\/?(?:b|i|u|c|v|font)\b[^<>]*>/gi, '');
