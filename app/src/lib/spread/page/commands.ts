import { lift, setBlockType, splitBlockAs, wrapIn } from 'prosemirror-commands';
import type { NodeType } from 'prosemirror-model';
import { liftListItem, wrapInList } from 'prosemirror-schema-list';
import { TextSelection, type Command, type EditorState } from 'prosemirror-state';
import { schema, type Origin } from '@even-page/core/post/schema';
import { sectionsOf, type Section } from '@even-page/core/post/sections';

const { nodes, marks } = schema;

/** The section that holds a position, and its place among them; -1 when there is none. */
export function sectionAt(sections: readonly Section[], pos: number): number {
  return sections.findIndex((s) => s.from <= pos && pos < s.to);
}

/** Moves the section around the caret one place up (-1) or down (1). What stands before the first heading stays. */
export const moveSection =
  (by: -1 | 1): Command =>
  (state, dispatch) =>
    moveSectionAt(sectionAt(sectionsOf(state.doc), state.selection.from), by)(state, dispatch);

/** Moves the section of the given number one place up or down. */
export const moveSectionAt =
  (at: number, by: -1 | 1): Command =>
  (state, dispatch) => {
    const sections = sectionsOf(state.doc);
    const upper = sections[Math.min(at, at + by)];
    const lower = sections[Math.max(at, at + by)];
    if (at < 0 || !upper || !lower || upper.id === 'lead') return false;
    if (dispatch) {
      const tr = state.tr;
      const content = state.doc.slice(lower.from, lower.to).content;
      tr.delete(lower.from, lower.to).insert(upper.from, content);
      const inMoved = by === -1 ? upper.from + (state.selection.from - lower.from) : state.selection.from + (lower.to - lower.from);
      if (sectionAt(sections, state.selection.from) === at) tr.setSelection(TextSelection.near(tr.doc.resolve(Math.max(0, inMoved))));
      dispatch(tr.scrollIntoView());
    }
    return true;
  };

/** Makes the block a heading of this level, or a paragraph again if it is one. */
export const toggleHeading =
  (level: number): Command =>
  (state, dispatch) => {
    const { parent } = state.selection.$from;
    const is = parent.type === nodes.heading && parent.attrs.level === level;
    const keep = { id: parent.attrs.id as string, origins: parent.attrs.origins ?? [] };
    return is ? setBlockType(nodes.paragraph, keep)(state, dispatch) : setBlockType(nodes.heading, { ...keep, level })(state, dispatch);
  };

/** Makes a list of the blocks selected, changes its kind, or takes them out of it. */
export const toggleList =
  (type: NodeType): Command =>
  (state, dispatch) => {
    const { $from } = state.selection;
    for (let depth = $from.depth; depth > 0; depth--) {
      const node = $from.node(depth);
      if (node.type !== nodes.bulletList && node.type !== nodes.orderedList) continue;
      if (node.type === type) return liftListItem(nodes.listItem)(state, dispatch);
      dispatch?.(state.tr.setNodeMarkup($from.before(depth), type, { id: node.attrs.id }));
      return true;
    }
    return wrapInList(type)(state, dispatch);
  };

/** Puts the blocks selected into a box of this kind, a quotation or a note, or takes them out of it. */
export const toggleBox =
  (type: NodeType): Command =>
  (state, dispatch) =>
    isInside(state, type) ? lift(state, dispatch) : wrapIn(type)(state, dispatch);

/** Goes to whose words the quotation around the caret holds, and makes a place for it if there is none. */
export const toAuthor: Command = (state, dispatch) => {
  const { $from } = state.selection;
  const depth = depthOf(state, nodes.blockquote);
  if (!depth) return false;
  const end = $from.end(depth);
  const tr = state.tr;
  if ($from.node(depth).lastChild!.type !== nodes.author) tr.insert(end, nodes.author.create());
  const inside = tr.doc.resolve(tr.mapping.map(end) - 1);
  dispatch?.(tr.setSelection(TextSelection.near(inside, -1)).scrollIntoView());
  return true;
};

/** A new paragraph in a quotation: what follows a paragraph there is another, not yet its author. */
export const splitInQuotation: Command = (state, dispatch, view) => {
  const { $from } = state.selection;
  if ($from.depth < 2 || $from.node(-1).type !== nodes.blockquote || !$from.parent.content.size) return false;
  return splitBlockAs((_node, atEnd) => (atEnd ? { type: nodes.paragraph } : null))(state, dispatch, view);
};

/** From the author of a quotation on to a new paragraph below it. */
export const leaveAuthor: Command = (state, dispatch) => {
  const { $from } = state.selection;
  if ($from.parent.type !== nodes.author) return false;
  const below = $from.after($from.depth - 1);
  const tr = state.tr.insert(below, nodes.paragraph.create());
  dispatch?.(tr.setSelection(TextSelection.create(tr.doc, below + 1)).scrollIntoView());
  return true;
};

/** Takes the place of the author away when nothing stands in it. */
export const dropEmptyAuthor: Command = (state, dispatch) => {
  const { $from, empty } = state.selection;
  if (!empty || $from.parent.type !== nodes.author || $from.parent.content.size) return false;
  const tr = state.tr.delete($from.before(), $from.after());
  dispatch?.(tr.setSelection(TextSelection.near(tr.doc.resolve($from.before()), -1)));
  return true;
};

/** Sets the words selected large below their block, as a pull quote; with only a caret, makes the block one or a paragraph again. */
export const pullQuote: Command = (state, dispatch) => {
  const { $from, $to, empty } = state.selection;
  const { id, origins = [] } = $from.parent.attrs as { id?: string; origins?: Origin[] };
  if (empty) {
    const type = $from.parent.type === nodes.pullQuote ? nodes.paragraph : nodes.pullQuote;
    return setBlockType(type, { id, origins })(state, dispatch);
  }
  if (!$from.sameParent($to) || !$from.depth) return false;
  const words = $from.parent.slice($from.parentOffset, $to.parentOffset).content;
  dispatch?.(state.tr.insert($from.after(1), nodes.pullQuote.create({ origins }, words)).scrollIntoView());
  return true;
};

/** Moves the list item around the caret, or else the blocks selected, one place up (-1) or down (1). */
export const moveBlock =
  (by: -1 | 1): Command =>
  (state, dispatch) => {
    const { $from, $to, anchor, head } = state.selection;
    if (!$from.depth) return false;
    const item = depthOf(state, nodes.listItem);
    const goesInList = (depth: number) => {
      const [at, list] = [$from.index(depth - 1) + by, $from.node(depth - 1)];
      return $from.sameParent($to) && at >= 0 && at < list.childCount;
    };
    const depth = item && goesInList(item) ? item : 1;
    const [from, to] = [$from.before(depth), $to.after(depth)];
    const beside = by < 0 ? state.doc.resolve(from).nodeBefore : state.doc.resolve(to).nodeAfter;
    if (!beside) return false;
    if (dispatch) {
      const shift = by * beside.nodeSize;
      // The neighbour goes to the other side, so that the caret stays in its words.
      const tr =
        by < 0
          ? state.tr.insert(to, beside).delete(from - beside.nodeSize, from)
          : state.tr.delete(to, to + beside.nodeSize).insert(from, beside);
      dispatch(tr.setSelection(TextSelection.create(tr.doc, anchor + shift, head + shift)).scrollIntoView());
    }
    return true;
  };

const COLUMNS = 3;
const ROWS = 2;

/** Puts a table with a row for its head after the block. */
export const insertTable: Command = (state, dispatch) => {
  const row = (type: NodeType) =>
    nodes.tableRow.create(
      null,
      Array.from({ length: COLUMNS }, () => type.create()),
    );
  const table = nodes.table.create(null, [row(nodes.tableHeader), ...Array.from({ length: ROWS }, () => row(nodes.tableCell))]);
  const { $from } = state.selection;
  const at = $from.depth ? $from.after(1) : state.doc.content.size;
  const tr = state.tr.insert(at, table);
  dispatch?.(tr.setSelection(TextSelection.near(tr.doc.resolve(at + 1))).scrollIntoView());
  return true;
};

/** Puts a rule after the block. */
export const insertRule: Command = (state, dispatch) => {
  dispatch?.(state.tr.replaceSelectionWith(nodes.rule.create()).scrollIntoView());
  return true;
};

/** How deep the innermost node of this type around the caret lies; 0 when there is none. */
function depthOf({ selection: { $from } }: EditorState, type: NodeType): number {
  for (let depth = $from.depth; depth > 0; depth--) if ($from.node(depth).type === type) return depth;
  return 0;
}

/** Whether the caret stands inside a node of this type. */
export const isInside = (state: EditorState, type: NodeType): boolean => depthOf(state, type) > 0;

/** Takes the link off the words selected; with only a caret, off the whole linked stretch around it. */
export const removeLink: Command = (state, dispatch) => {
  const { $from, from, to, empty } = state.selection;
  let range = { from, to };
  if (empty) {
    $from.parent.forEach((node, offset) => {
      const start = $from.start() + offset;
      const end = start + node.nodeSize;
      if (start <= from && from <= end && marks.link.isInSet(node.marks)) range = { from: start, to: end };
    });
  }
  dispatch?.(state.tr.removeMark(range.from, range.to, marks.link));
  return true;
};
