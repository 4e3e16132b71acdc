import { closeHistory } from 'prosemirror-history';
import type { Command, EditorState, Transaction } from 'prosemirror-state';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { branchEnd, outlineOf, type Section } from '@even-page/core/post/sections';

/** The levels a heading of the page can have. */
const LEVELS = { highest: 2, deepest: 4 } as const;

/** The headed parts of a page and the place of one of them, by the id of its heading. */
function find(doc: PostNode, id: string) {
  const parts = outlineOf(doc);
  const at = parts.findIndex((p) => p.id === id);
  return { parts, at, end: at < 0 ? -1 : branchEnd(parts, at) };
}

const isHeaded = (part: Section | undefined): part is Section => !!part && part.id !== 'lead';

/** A step of its own for undo, however fast it follows on another. */
const own = (tr: Transaction) => closeHistory(tr).scrollIntoView();

/** Moves a headed part with all below it: before another, or behind everything when `before` is null. */
export const moveBranch =
  (id: string, before: string | null): Command =>
  (state, dispatch) => {
    const { parts, at, end } = find(state.doc, id);
    const to = before === null ? parts.length : parts.findIndex((p) => p.id === before);
    if (!isHeaded(parts[at]) || to < 0 || parts[to]?.id === 'lead' || (to >= at && to <= end)) return false;
    if (dispatch) {
      const [from, until] = [parts[at].from, parts[end - 1]!.to];
      const content = state.doc.slice(from, until).content;
      const place = to === parts.length ? state.doc.content.size : parts[to]!.from;
      const tr = state.tr.delete(from, until);
      dispatch(own(tr.insert(tr.mapping.map(place), content)));
    }
    return true;
  };

const fitsBy = (branch: readonly Section[], by: number): boolean =>
  branch.every((p) => p.level + by >= LEVELS.highest && p.level + by <= LEVELS.deepest);

/** Moves a headed part with all below it past its neighbour of the same level, or over the edge of the part around it. */
export const moveBranchBy =
  (id: string, by: -1 | 1): Command =>
  (state, dispatch) => {
    const { parts, at, end } = find(state.doc, id);
    if (at < 0) return false;
    const { level } = parts[at]!;
    if (by === -1) {
      let to = at - 1;
      while (isHeaded(parts[to]) && parts[to]!.level > level) to--;
      // What lies deeper needs something to lie under.
      if (!isHeaded(parts[to]) || (parts[to]!.level < level && !isHeaded(parts[to - 1]))) return false;
      return moveBranch(id, parts[to]!.id)(state, dispatch);
    }
    const next = parts[end];
    if (!next) return false;
    const past = next.level < level ? end + 1 : branchEnd(parts, end);
    return moveBranch(id, parts[past]?.id ?? null)(state, dispatch);
  };

/** Takes a headed part with all below it one level in (1) or out (-1). The first of the page stays where it is. */
export const indentBranch =
  (id: string, by: -1 | 1): Command =>
  (state, dispatch) => {
    const { parts, at, end } = find(state.doc, id);
    const above = parts[at - 1];
    if (at < 0 || !fitsBy(parts.slice(at, end), by)) return false;
    if (by === 1 && (!isHeaded(above) || above.level < parts[at]!.level)) return false;
    if (dispatch) {
      const tr = state.tr;
      for (const part of parts.slice(at, end)) tr.setNodeAttribute(part.from, 'level', part.level + by);
      dispatch(own(tr));
    }
    return true;
  };

/** Gives a heading other words. */
export const renameHeading =
  (id: string, words: string): Command =>
  (state, dispatch) => {
    const { parts, at } = find(state.doc, id);
    const text = words.replace(/\s+/g, ' ').trim();
    if (!isHeaded(parts[at]) || !text || text === parts[at].heading) return false;
    const heading = state.doc.nodeAt(parts[at].from)!;
    const from = parts[at].from + 1;
    dispatch?.(own(state.tr.replaceWith(from, from + heading.content.size, schema.text(text))));
    return true;
  };

/** What a writer notes down for a section: what should go into it, and how many words it should have (0: none said). */
export const noteHeading =
  (id: string, notes: { note?: string; target?: number }): Command =>
  (state, dispatch) => {
    const { parts, at } = find(state.doc, id);
    if (!isHeaded(parts[at])) return false;
    const changed = Object.entries(notes).filter(([name, value]) => state.doc.nodeAt(parts[at]!.from)!.attrs[name] !== value);
    if (!changed.length) return false;
    const tr = state.tr;
    for (const [name, value] of changed) tr.setNodeAttribute(parts[at].from, name, value);
    dispatch?.(own(tr));
    return true;
  };

/**
 * Where a part is split in two: before the block of the caret when that stands inside it, else before the block
 * nearest to its middle. Null when it has only one block.
 */
function splitPlace(state: EditorState, { from, to }: Section): number | null {
  const starts: { pos: number; words: number }[] = [];
  let total = 0;
  state.doc.nodesBetween(from, to, (block, pos, parent) => {
    if (parent !== state.doc) return false;
    if (block.type !== schema.nodes.heading) {
      starts.push({ pos, words: total });
      total += block.textContent.length;
    }
    return false;
  });
  const inner = starts.slice(1);
  if (!inner.length) return null;
  const caret = state.selection.from;
  const atCaret = inner.findLast(({ pos }) => pos <= caret);
  if (atCaret && caret < to) return atCaret.pos;
  return inner.reduce((best, s) => (Math.abs(s.words - total / 2) < Math.abs(best.words - total / 2) ? s : best)).pos;
}

/** Splits a part in two: a heading of its level, with the words given, where the caret is or in its middle. */
export const splitPart =
  (id: string, heading: string): Command =>
  (state, dispatch) => {
    const { parts, at } = find(state.doc, id);
    const place = at < 0 ? null : splitPlace(state, parts[at]!);
    if (place === null) return false;
    dispatch?.(own(state.tr.insert(place, schema.nodes.heading.create({ level: parts[at]!.level }, schema.text(heading)))));
    return true;
  };

/** Joins a part with the one above: its heading goes, its words stay. */
export const joinPart =
  (id: string): Command =>
  (state, dispatch) => {
    const { parts, at } = find(state.doc, id);
    if (!isHeaded(parts[at])) return false;
    dispatch?.(own(state.tr.delete(parts[at].from, parts[at].from + state.doc.nodeAt(parts[at].from)!.nodeSize)));
    return true;
  };

/** Takes a part with all below it off the page. */
export const removeBranch =
  (id: string): Command =>
  (state, dispatch) => {
    const { parts, at, end } = find(state.doc, id);
    if (!isHeaded(parts[at])) return false;
    dispatch?.(own(state.tr.delete(parts[at].from, parts[end - 1]!.to)));
    return true;
  };
