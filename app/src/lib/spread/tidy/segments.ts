import { type Edit, editKey, flowOf, isMark, passageAt } from '@even-page/core/tidy';
import type { Source } from '@even-page/core/gather';

/** What lies over words without changing them: a mark, or a place that was looked for. */
export type Over = { from: number; to: number; mark?: Edit; hit?: number };

/** A stretch of a source as Tidy shows it: plain words, or a repair proposed or taken, and what lies over them. */
export type Segment =
  { text: string; from: number; edit?: undefined; over: Over[] } | { edit: Edit; key: string; taken: boolean; over: Over[] };

/** A paragraph of segments, with the time and the voice it opens with. */
export type Shown = { from: number; passage: number; startMs?: number; speaker?: string; segments: Segment[] };

/** Lays the repairs of a source into its words, a paragraph at a time, under the marks and the places looked for. */
export function showRepairs(source: Source, proposed: readonly Edit[], taken: readonly Edit[], hits: readonly Over[] = []): Shown[] {
  const flow = flowOf(source);
  const takenKeys = new Set(taken.map(editKey));
  // Repairs taken earlier may no longer be proposed; they are shown all the same.
  const all = new Map([...proposed, ...taken].filter((e) => e.kind !== 'wording').map((e) => [editKey(e), e]));
  const edits = [...all.values()].filter((e) => !isMark(e)).sort((a, b) => a.from - b.from || a.to - b.to);
  const marks = [...all.values()].filter(isMark).map((mark): Over => ({ from: mark.from, to: mark.to, mark }));
  const overs = [...marks, ...hits].sort((a, b) => a.from - b.from);
  let passed = 0;
  const overAt = (from: number, to: number): Over[] => {
    // Those before the first that still reaches here are done with.
    while (passed < overs.length && overs[passed]!.to <= from) passed++;
    const found: Over[] = [];
    for (let i = passed; i < overs.length && overs[i]!.from < Math.max(to, from + 1); i++) if (overs[i]!.to > from) found.push(overs[i]!);
    return found;
  };
  const shown: Shown[] = [];
  let open: Shown | null = null;
  const paragraph = (from: number): Shown => {
    if (open) return open;
    const passage = passageAt(flow, from);
    const { startMs, speaker } = source.passages[passage]!;
    open = { from, passage, segments: [], ...(startMs === undefined ? {} : { startMs }), ...(speaker ? { speaker } : {}) };
    shown.push(open);
    return open;
  };
  const plain = (from: number, to: number) => {
    let at = from;
    for (const gap of flow.text.slice(from, to).matchAll(/\n[ \t]*\n\s*/g)) {
      add(at, from + gap.index);
      open = null;
      at = from + gap.index + gap[0].length;
    }
    add(at, to);
  };
  const add = (from: number, to: number) => {
    if (from >= to || !(open || flow.text.slice(from, to).trim())) return;
    const cuts = [from, ...overAt(from, to).flatMap((o) => [o.from, o.to]), to].filter((c) => c >= from && c <= to).sort((a, b) => a - b);
    cuts.slice(1).forEach((end, i) => {
      const start = cuts[i]!;
      if (start < end) paragraph(start).segments.push({ text: flow.text.slice(start, end), from: start, over: overAt(start, end) });
    });
  };
  let at = 0;
  for (const edit of edits) {
    if (edit.from < at) continue;
    plain(at, edit.from);
    const key = editKey(edit);
    paragraph(edit.from).segments.push({ edit, key, taken: takenKeys.has(key), over: overAt(edit.from, edit.to) });
    if (edit.after === '\n\n') open = null;
    at = edit.to;
  }
  plain(at, flow.text.length);
  return shown;
}
