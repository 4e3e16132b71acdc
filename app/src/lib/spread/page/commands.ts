import { lift, setBlockType, wrapIn } from 'prosemirror-commands';
import type { NodeType } from 'prosemirror-model';
import { liftListItem, wrapInList } from 'prosemirror-schema-list';
import { TextSelection, type Command, type EditorState } from 'prosemirror-state';
import { schema } from '@even-page/core/post/schema';
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

/** Makes a quotation of the blocks selected, or takes them out of one. */
export const toggleQuotation: Command = (state, dispatch) =>
  isInside(state, nodes.blockquote) ? lift(state, dispatch) : wrapIn(nodes.blockquote)(state, dispatch);

/** Puts a rule after the block. */
export const insertRule: Command = (state, dispatch) => {
  dispatch?.(state.tr.replaceSelectionWith(nodes.rule.create()).scrollIntoView());
  return true;
};

/** Whether the caret stands inside a node of this type. */
export function isInside(state: EditorState, type: NodeType): boolean {
  const { $from } = state.selection;
  for (let depth = $from.depth; depth > 0; depth--) if ($from.node(depth).type === type) return true;
  return false;
}

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
