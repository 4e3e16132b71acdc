import { withoutStyles } from './captions.ts';
import type { Format } from './formats.ts';
import type { Passage } from './source.ts';
import { splitSpeaker, type SaidBy } from './speaker.ts';
import { TIME_MARK, readTime } from '../language/times.ts';

// The same mark without groups of its own.
const TIME = TIME_MARK.replace(/\((?!\?)/g, '(?:');
// [1:02], (00:01:02), 1:02 or 00:01:02: at the start of a line; the last has its lines of words between bars.
const LEADING = new RegExp(
  String.raw`^\s*(?:[[(]\s*(${TIME})\s*[\])](?:\s*[-–—:|]\s+|\s*)|(${TIME})(?:\s*[-–—:|]\s+|\s+|(:)(?=[^\d\s])|$))`,
);
// A name before the mark; the mark then stands in brackets or ends its line.
const NAMED = new RegExp(String.raw`^\s*(\p{Lu}[\p{L}.'’ -]{0,40}?)\s*:?\s+(?:[[(]\s*(${TIME})\s*[\])]|(${TIME})\s*$)\s*:?\s*`, 'u');

function mark(line: string) {
  const named = NAMED.exec(line);
  const m = named ?? LEADING.exec(line);
  if (!m) return null;
  const startMs = readTime(named ? (named[2] ?? named[3])! : (m[1] ?? m[2])!);
  if (startMs === null) return null;
  const rest = withoutStyles(line.slice(m[0].length));
  return { startMs, speaker: named?.[1], rest: !named && m[3] ? rest.replaceAll('|', '\n') : rest };
}

/** A transcript with a time mark at the start of its lines; a passage runs until the next mark. */
export const timedText: Format = {
  kind: 'timed-text',
  fits: ({ text }) => {
    const lines = text()
      .split('\n')
      .filter((l) => l.trim());
    const marked = lines.filter((l) => mark(l)).length;
    return marked >= 2 && marked >= lines.length / 8;
  },
  read: ({ text }) => {
    const passages: Passage[] = [];
    const heading: string[] = [];
    let open: (Passage & SaidBy & { startMs: number }) | null = null;
    for (const line of text().split('\n')) {
      const found = mark(line);
      if (found) {
        const said = splitSpeaker(found.rest);
        const speaker = found.speaker?.trim() || said.speaker;
        if (open?.text && open.startMs === found.startMs && open.speaker === speaker) {
          open.text += `\n${said.text.trim()}`;
          continue;
        }
        open = {
          text: said.text.trim(),
          startMs: found.startMs,
          ...(speaker ? { speaker } : {}),
          ...(said.taken && !found.speaker ? { taken: said.taken } : {}),
        };
        passages.push(open);
      } else if (line.trim()) {
        if (!open) heading.push(line.trim());
        else if (open.text) open.text += `\n${line.trim()}`;
        else {
          const said = splitSpeaker(line);
          open.text = said.text.trim();
          Object.assign(open, said, { text: open.text });
        }
      }
    }
    const kept = passages.filter((p) => p.text);
    kept.forEach((p, i) => {
      const next = kept[i + 1]?.startMs;
      if (next !== undefined && next >= p.startMs!) p.endMs = next;
    });
    // Lines above the first mark: the first is the title, the rest are words like any other.
    const [title, ...rest] = heading;
    if (rest.length) kept.unshift({ text: rest.join('\n') });
    return { source: { kind: 'timed-text', passages: kept, ...(title ? { title } : {}) } };
  },
};
