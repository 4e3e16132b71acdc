import { TextSelection, type EditorState, type Transaction } from 'prosemirror-state';
import type { PostNode } from '@even-page/core/post/schema';

/**
 * The transaction that makes one document of another by replacing only what differs, outside the undo history,
 * with the caret in the block it was in. Null when they are alike.
 */
export function toDocument(state: EditorState, doc: PostNode): Transaction | null {
  const { content } = state.doc;
  const from = content.findDiffStart(doc.content);
  if (from === null) return null;
  let { a: to, b: until } = content.findDiffEnd(doc.content)!;
  const overlap = from - Math.min(to, until);
  if (overlap > 0) {
    to += overlap;
    until += overlap;
  }
  const tr = state.tr.setMeta('addToHistory', false);
  tr.replace(from, to, doc.slice(from, until));
  if (!tr.doc.eq(doc)) tr.replaceWith(0, tr.doc.content.size, doc.content);
  const { $anchor, $head } = state.selection;
  const [anchor, head] = [$anchor, $head].map(($pos) => {
    const start = $pos.depth ? startOf(tr.doc, $pos.parent.attrs.id as string) : null;
    return start === null ? null : Math.min(start + $pos.parentOffset, start + tr.doc.resolve(start).parent.content.size);
  });
  if (anchor != null && head != null) tr.setSelection(TextSelection.create(tr.doc, anchor, head));
  return tr;
}

/** Where the words of the block with this id begin. */
function startOf(doc: PostNode, id: string): number | null {
  let found: number | null = null;
  doc.descendants((node, pos) => {
    if (node.isTextblock && id && node.attrs.id === id) found ??= pos + 1;
    return found === null && !node.isTextblock;
  });
  return found;
}
