import { Decoration, type EditorView } from 'prosemirror-view';
import type { Origin, PostNode } from '@even-page/core/post/schema';
import { paint } from './paint.ts';

/** Which blocks to light: those a passage feeds, or one by its id. */
export type Light = { source: string; passage: number } | { block: string } | null;

/** The blocks that belong to the passage under the pointer: the far end of the thread. */
export const litBlocks = paint('lit-blocks');

/** Lights blocks of a page, or puts the light out. */
export function lightBlocks(view: EditorView, light: Light): void {
  litBlocks.show(view, light ? litIn(view.state.doc, light) : []);
}

function litIn(doc: PostNode, light: NonNullable<Light>): Decoration[] {
  const found: Decoration[] = [];
  doc.descendants((node, pos) => {
    if (fits(node, light)) found.push(Decoration.node(pos, pos + node.nodeSize, { class: 'lit' }));
    return !node.isTextblock;
  });
  return found;
}

function fits(node: PostNode, light: NonNullable<Light>): boolean {
  if ('block' in light) return node.attrs.id === light.block;
  return ((node.attrs.origins ?? []) as Origin[]).some(
    (o) => o.source === light.source && o.first <= light.passage && light.passage <= o.last,
  );
}
