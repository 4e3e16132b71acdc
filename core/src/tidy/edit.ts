import { passageAt, type Flow } from './flow.ts';

/** The kinds of repair, in the order they are shown. */
export const EDIT_KINDS = ['spacing', 'sentences', 'paragraphs', 'fillers', 'doubled'] as const;
export type EditKind = (typeof EDIT_KINDS)[number];

/** One repair over a source: the stretch [from, to) of its flow becomes `after`. The source itself stays as it is. */
export type Edit = {
  kind: EditKind;
  from: number;
  to: number;
  before: string;
  after: string;
  reason: string;
};

/** Repairs of a source taken, and the names of those put back. */
export type EditChange = { source: string; take: Edit[]; drop: string[] };

/** Edits after a change of them, in the order of the text. A change made twice comes to the same. */
export function changeEdits(edits: readonly Edit[], { take, drop }: EditChange): Edit[] {
  const gone = new Set([...drop, ...take.map(editKey)]);
  return [...edits.filter((e) => !gone.has(editKey(e))), ...take].sort((a, b) => a.from - b.from);
}

/** A name for an edit that stays the same as long as the source does. */
export const editKey = (e: Edit): string => `${e.kind}:${e.from}:${e.to}`;

/** A piece of tidied text: its place in the result and where it came from. `made` is text the edit put in. */
type Run = { at: number; from: number; length: number; made: boolean };

/** A flow with edits applied, which still knows where each of its letters came from. */
export type Tidied = { text: string; runs: Run[]; flow: Flow };

/**
 * Applies edits to a flow. Edits may come in any order; of two that overlap the earlier one in the text holds.
 */
export function applyEdits(flow: Flow, edits: readonly Edit[]): Tidied {
  const runs: Run[] = [];
  let text = '';
  let at = 0;
  const add = (words: string, from: number, made: boolean) => {
    if (!words) return;
    runs.push({ at: text.length, from, length: words.length, made });
    text += words;
  };
  for (const edit of [...edits].sort((a, b) => a.from - b.from || a.to - b.to)) {
    if (edit.from < at) continue;
    add(flow.text.slice(at, edit.from), at, false);
    add(edit.after, edit.from, true);
    at = edit.to;
  }
  add(flow.text.slice(at), at, false);
  return { text, runs, flow };
}

/** The passages a stretch [from, to) of tidied text came from: the numbers of the first and the last. */
export function passagesOf(tidied: Tidied, from: number, to: number): { first: number; last: number } {
  return {
    first: passageAt(tidied.flow, sourceOffset(tidied, from)),
    last: passageAt(tidied.flow, sourceOffset(tidied, Math.max(from, to - 1))),
  };
}

function sourceOffset({ runs }: Tidied, offset: number): number {
  let low = 0;
  let high = runs.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (runs[middle]!.at <= offset) low = middle;
    else high = middle - 1;
  }
  const run = runs[low];
  if (!run) return 0;
  return run.made ? run.from : run.from + Math.min(offset - run.at, run.length - 1);
}
