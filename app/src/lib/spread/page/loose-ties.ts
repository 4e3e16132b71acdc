import { Decoration, type EditorView } from 'prosemirror-view';
import { paint } from './paint.ts';

/** The origin marks that may no longer hold. */
export const looseTies = paint('loose-ties');

/** Shows in the margin which blocks, by their ids, were edited far from what they are tied to. */
export function showLooseTies(view: EditorView, blocks: readonly string[]): void {
  const found: Decoration[] = [];
  if (blocks.length)
    view.state.doc.descendants((node, pos) => {
      if (blocks.includes(node.attrs.id as string)) found.push(Decoration.node(pos, pos + node.nodeSize, { 'data-loose': '' }));
      return !node.isTextblock;
    });
  looseTies.show(view, found);
}
