import { passageAt, type Flow } from './flow.ts';
import { repairKind, type EditKind } from './repair-kinds.ts';

/** Whether a repair marks a stretch rather than mends it. */
export const isMark = ({ kind }: Pick<Edit, 'kind'>): boolean => repairKind(kind).isMark === true;

/** One repair over a source: the stretch [from, to) of its flow becomes `after`. The source itself stays as it is. */
export type Edit = {
  kind: EditKind;
  from: number;
  to: number;
  before: string;
  after: string;
  reason: string;
  /** Repairs of one group are one thing to the writer: a full stop and the capital after it, all places of a name. */
  group?: string;
  /** What the writer decided about wording (wording/choices.ts). */
  turn?: string;
};

/** Repairs of a source taken, and the names of those put back. */
export type EditChange = { source: string; take: Edit[]; drop: string[] };

/** Edits after a change of them, in the order of the text. A change made twice comes to the same. */
export function changeEdits(edits: readonly Edit[], { take, drop }: EditChange): Edit[] {
  const gone = new Set([...drop, ...take.map(editKey)]);
  return [...edits.filter((e) => !gone.has(editKey(e))), ...take].sort((a, b) => a.from - b.from);
}

/** A mark as it is when the writer takes it: the words stand as they are. */
export const takenMark = (mark: Edit): Edit => ({ ...mark, after: mark.before });

/** A stretch of a flow that the writer leaves out of sections. */
export const leftOut = ({ text }: Flow, from: number, to: number): Edit => ({
  kind: 'asides',
  from,
  to,
  before: text.slice(from, to),
  after: '',
  reason: 'Left out by the writer',
});

/** What stays out of sections: the asides proposed that were not taken in, and what the writer left out. */
export function asidesOut(taken: readonly Edit[], proposed: readonly Edit[]): Edit[] {
  const keys = new Set(taken.map(editKey));
  return [...proposed.filter((e) => !keys.has(editKey(e))), ...taken.filter((e) => !e.after)]
    .filter((e) => e.kind === 'asides')
    .sort(byPlace);
}

/**
 * The edits a source's sections are made with: those taken, and the asides that stay out. What was mended inside an
 * aside that stays out goes out with it.
 */
export function editsForSections(taken: readonly Edit[], proposed: readonly Edit[]): Edit[] {
  const out = asidesOut(taken, proposed);
  const isOut = new Set(out);
  let next = 0;
  const kept = [...taken].sort(byPlace).filter((e) => {
    if (isOut.has(e)) return false;
    while (next < out.length && out[next]!.to < e.from) next++;
    const aside = out[next];
    if (!aside || e.to > aside.to) return true;
    // A break put in before an aside or after it parts its neighbours.
    const isEdge = e.from === e.to && (e.from === aside.from || (e.from === aside.to && e.kind !== 'sentences'));
    return e.from < aside.from || isEdge;
  });
  return [...kept, ...out];
}

const byPlace = (a: Edit, b: Edit) => a.from - b.from || a.to - b.to;

/** A name for an edit that stays the same as long as the source does. */
export const editKey = (e: Edit): string => `${e.kind}:${e.from}:${e.to}`;

/** A piece of tidied text: its place in the result and where it came from. `made` is text the edit put in. */
export type Run = { at: number; from: number; length: number; made: boolean };

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
  for (const edit of [...edits].sort(byPlace)) {
    // A stretch that only carries a mark changes nothing, and hides nothing inside it.
    if (edit.from < at || edit.after === flow.text.slice(edit.from, edit.to)) continue;
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

/** The run that holds an offset of tidied text. */
export function runAt({ runs }: Tidied, offset: number): Run | undefined {
  let low = 0;
  let high = runs.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (runs[middle]!.at <= offset) low = middle;
    else high = middle - 1;
  }
  return runs[low];
}

/** Where the letter at an offset of tidied text came from; for letters an edit put in, where it begins. */
export function sourceOffset(tidied: Tidied, offset: number): number {
  const run = runAt(tidied, offset);
  if (!run) return 0;
  return run.made ? run.from : run.from + Math.min(offset - run.at, run.length - 1);
}
