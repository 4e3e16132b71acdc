import { schema } from '@even-page/core/post/schema';
import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/**
 * Words typed over those of a link are its words from then on, as long as they are typed on end: what a link says can be
 * changed without losing where it leads. For `handleTextInput` of the editor.
 */
export function typeInLink(view: EditorView, from: number, to: number, text: string): boolean {
  const { state } = view;
  const marks = from < to ? (state.doc.nodeAt(from)?.marks ?? null) : state.storedMarks;
  const link = marks && schema.marks.link.isInSet(marks);
  if (!link) return false;
  let isOne = true;
  state.doc.nodesBetween(from, to, (node) => {
    if (node.isText && !link.isInSet(node.marks)) isOne = false;
  });
  if (!isOne) return false;
  const tr = state.tr.replaceWith(from, to, schema.text(text, marks));
  view.dispatch(
    tr
      .setSelection(TextSelection.create(tr.doc, from + text.length))
      .setStoredMarks(marks)
      .scrollIntoView(),
  );
  return true;
}
