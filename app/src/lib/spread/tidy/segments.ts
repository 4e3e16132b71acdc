import { editKey, type Edit } from '@even-page/core/tidy/edit';
import { flowOf, passageAt } from '@even-page/core/tidy/flow';
import type { Source } from '@even-page/core/gather/source';

/** A stretch of a source as Tidy shows it: plain words, or a repair proposed or taken. */
export type Segment = { text: string; edit?: undefined } | { edit: Edit; key: string; taken: boolean };

/** A paragraph of segments, with the time and the voice it opens with. */
export type Shown = { from: number; passage: number; startMs?: number; speaker?: string; segments: Segment[] };

/** Lays the repairs of a source into its words, a paragraph at a time. */
export function showRepairs(source: Source, proposed: readonly Edit[], taken: readonly Edit[]): Shown[] {
  const flow = flowOf(source);
  const takenKeys = new Set(taken.map(editKey));
  // Repairs taken earlier may no longer be proposed; they are shown all the same.
  const all = new Map([...proposed, ...taken].map((e) => [editKey(e), e]));
  const edits = [...all.values()].sort((a, b) => a.from - b.from);
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
    if (from < to && (open || flow.text.slice(from, to).trim())) paragraph(from).segments.push({ text: flow.text.slice(from, to) });
  };
  let at = 0;
  for (const edit of edits) {
    if (edit.from < at) continue;
    plain(at, edit.from);
    const key = editKey(edit);
    paragraph(edit.from).segments.push({ edit, key, taken: takenKeys.has(key) });
    if (edit.after === '\n\n') open = null;
    at = edit.to;
  }
  plain(at, flow.text.length);
  return shown;
}
