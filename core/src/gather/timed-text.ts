import type { Format } from './format.ts';
import type { Passage } from './source.ts';
import { splitSpeaker, type SaidBy } from './speaker.ts';
import { markOf, type MarkedLine } from './time-notations.ts';

// A name alone behind a mark, the words on the lines below.
const NAME_ALONE = /^\p{Lu}[\p{L}.'’-]*(?: \p{Lu}[\p{L}.'’-]*){0,2}(?: \d{1,2})?:?$/u;

const ABOUT = /^\s*\[(?:ti|ar|al|au|lr|by|re|ve|tool|length|offset|la|#):[^\]]*\]\s*$/i;

/** A transcript with time marks at its lines; a passage runs until the next mark. */
export const timedText: Format = {
  kind: 'timed-text',
  label: 'time-marked text',
  extensions: ['txt', 'lrc', 'sbv'],
  readings: [],
  fits: ({ text }) => {
    const lines = text()
      .split('\n')
      .filter((l) => l.trim());
    const marked = lines.filter((l) => markOf(l)).length;
    return marked >= 2 && marked >= lines.length / 8;
  },
  read: ({ text }) => {
    const passages: (Passage & SaidBy)[] = [];
    const heading: string[] = [];
    let open: (Passage & SaidBy & { startMs: number }) | null = null;
    // What song lyrics with times say of themselves is no line of theirs (LRC; common practice, no source).
    const title = /^\[ti:\s*(\S.*?)\s*\]\s*$/im.exec(text())?.[1];
    const lines = text()
      .split('\n')
      .filter((line) => !ABOUT.test(line))
      .map((line) => ({ line, found: markOf(line) }));
    const isName = namesAlone(lines);
    const trails = lines.some(({ found }) => found?.isTrailing);
    // Lines that wait for the mark behind them.
    let waiting: string[] = [];
    for (const { line, found } of lines) {
      if (found?.isTrailing) {
        // A mark behind its words says when they end.
        const said = splitSpeaker([...waiting, found.rest].join('\n'));
        waiting = [];
        passages.push({ ...said, text: said.text.trim(), startMs: passages.at(-1)?.endMs ?? 0, endMs: found.startMs });
      } else if (found) {
        const alone = isName(found) ? found.rest.trim().replace(/:$/, '') : undefined;
        const given = found.speaker ?? alone;
        const said = given === undefined ? splitSpeaker(found.rest) : { text: alone === undefined ? found.rest : '', speaker: given };
        if (open?.text && open.startMs === found.startMs && open.speaker === said.speaker) {
          open.text += `\n${said.text.trim()}`;
          continue;
        }
        open = { ...said, text: said.text.trim(), startMs: found.startMs, ...(found.endMs === undefined ? {} : { endMs: found.endMs }) };
        passages.push(open);
      } else if (line.trim()) {
        if (trails) waiting.push(line.trim());
        else if (!open) heading.push(line.trim());
        else if (open.text) open.text += `\n${line.trim()}`;
        else Object.assign(open, open.speaker ? { text: line.trim() } : splitSpeaker(line.trim()));
      }
    }
    if (waiting.length) passages.push({ text: waiting.join('\n') });
    const kept = passages.filter((p) => p.text);
    kept.forEach((p, i) => {
      const next = kept[i + 1]?.startMs;
      if (p.endMs === undefined && next !== undefined && next >= p.startMs!) p.endMs = next;
    });
    // Lines above the first mark: the first is the title, the rest are words like any other.
    const [first, ...rest] = title ? [title, ...heading] : heading;
    if (rest.length) kept.unshift({ text: rest.join('\n') });
    return { source: { kind: 'timed-text', passages: kept, ...(first ? { title: first } : {}) } };
  },
};

/** Which marks have only a name behind them: where most lines have no other words, and some name comes again. */
function namesAlone(lines: readonly { line: string; found: MarkedLine | null }[]): (found: MarkedLine) => boolean {
  const marked = lines.flatMap(({ found }, i) => (found && !found.speaker ? [{ rest: found.rest.trim(), next: lines[i + 1] }] : []));
  const alone = marked.filter(({ rest, next }) => NAME_ALONE.test(rest) && next?.line.trim() && !next.found).map(({ rest }) => rest);
  const isForm = alone.length * 2 >= marked.length && new Set(alone).size < alone.length;
  return ({ rest }) => isForm && alone.includes(rest.trim());
}
