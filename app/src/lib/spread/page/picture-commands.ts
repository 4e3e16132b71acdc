import { Fragment } from 'prosemirror-model';
import { closeHistory } from 'prosemirror-history';
import { type Command, type EditorState, NodeSelection, Plugin, type Transaction } from 'prosemirror-state';
import { MOST_IN_ROW } from '@even-page/core/post/blocks/picture-row';
import { schema, type PostNode } from '@even-page/core/post/schema';

/** Where the block of an id stands. */
export function placeOfBlock(doc: PostNode, id: string): { node: PostNode; pos: number } | null {
  let found: { node: PostNode; pos: number } | null = null;
  doc.descendants((node, pos) => {
    if (!found && node.attrs.id === id) found = { node, pos };
    return !found && !node.isTextblock;
  });
  return found;
}

const at =
  (id: string, change: (tr: Transaction, node: PostNode, pos: number, state: EditorState) => boolean): Command =>
  (state, dispatch) => {
    const place = placeOfBlock(state.doc, id);
    if (!place) return false;
    const { tr } = state;
    if (!change(tr, place.node, place.pos, state)) return false;
    dispatch?.(closeHistory(tr));
    return true;
  };

/** Changes attributes of a block; its words and place stay. */
export const changeBlock =
  (id: string, attrs: Record<string, unknown>): Command =>
  (state, dispatch) => {
    const place = placeOfBlock(state.doc, id);
    if (!place) return false;
    const { tr } = state;
    tr.setNodeMarkup(place.pos, null, { ...place.node.attrs, ...attrs });
    // It stays the one in hand.
    if (state.selection instanceof NodeSelection && state.selection.from === place.pos)
      tr.setSelection(NodeSelection.create(tr.doc, place.pos));
    dispatch?.(tr);
    return true;
  };

/** Takes a block out. */
export const takeOutBlock = (id: string): Command => at(id, (tr, node, pos) => !!tr.delete(pos, pos + node.nodeSize));

const picturesIn = (node: PostNode): readonly PostNode[] =>
  node.type === schema.nodes.pictureRow ? node.children : node.type === schema.nodes.picture ? [node] : [];

/** Puts a picture, or the row it stands in, into one row with the picture or row that follows; at most four stand in one. */
export const besideNext = (id: string): Command =>
  at(id, (tr, _, pos) => {
    const $pos = tr.doc.resolve(pos);
    const isInRow = $pos.parent.type === schema.nodes.pictureRow;
    const from = isInRow ? $pos.before() : pos;
    const first = tr.doc.nodeAt(from)!;
    const next = tr.doc.nodeAt(from + first.nodeSize);
    const all = [...picturesIn(first), ...(next ? picturesIn(next) : [])];
    if (!next || !picturesIn(next).length || all.length > MOST_IN_ROW) return false;
    tr.replaceWith(from, from + first.nodeSize + next.nodeSize, schema.nodes.pictureRow.create(null, all));
    return true;
  });

/** Takes a picture out of its row: it stands below it then. */
export const outOfRow = (id: string): Command =>
  at(id, (tr, node, pos) => {
    const $pos = tr.doc.resolve(pos);
    const row = $pos.parent;
    if (row.type !== schema.nodes.pictureRow) return false;
    const rest = row.children.filter((child) => child !== node);
    const stays = rest.length > 1 ? [row.copy(Fragment.from(rest))] : rest;
    tr.replaceWith($pos.before(), $pos.after(), [...stays, node]);
    return true;
  });

/** Moves a block to where it follows another. */
export const moveAfter = (id: string, after: string): Command =>
  at(id, (tr, node, pos) => {
    const place = placeOfBlock(tr.doc, after);
    if (!place || after === id) return false;
    tr.delete(pos, pos + node.nodeSize);
    const to = tr.mapping.map(place.pos + place.node.nodeSize);
    tr.insert(to, node);
    tr.setSelection(NodeSelection.create(tr.doc, to)).scrollIntoView();
    return true;
  });

/** Rows that are left with one picture, or none, give way to it. */
export function withoutThinRows(): Plugin {
  return new Plugin({
    appendTransaction(transactions, _old, state) {
      if (!transactions.some((tr) => tr.docChanged)) return null;
      const thin: { pos: number; row: PostNode }[] = [];
      state.doc.descendants((node, pos) => {
        if (node.type === schema.nodes.pictureRow && node.childCount < 2) thin.push({ pos, row: node });
        return !node.isTextblock;
      });
      if (!thin.length) return null;
      const { tr } = state;
      for (const { pos, row } of thin.toReversed()) {
        const stays = row.childCount || state.doc.childCount > 1 ? row.children : [schema.nodes.paragraph.create()];
        tr.replaceWith(pos, pos + row.nodeSize, stays);
      }
      return tr;
    },
  });
}
