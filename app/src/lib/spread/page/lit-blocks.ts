import { Plugin, PluginKey } from 'prosemirror-state';
import { Decoration, DecorationSet, type EditorView } from 'prosemirror-view';
import type { Origin, PostNode } from '@even-page/core/post/schema';

/** Which blocks to light: those a passage feeds, or one by its id. */
export type Light = { source: string; passage: number } | { block: string } | null;

const key = new PluginKey<{ light: Light; set: DecorationSet }>('lit-blocks');

/** Lights the blocks that belong to the passage under the pointer: the far end of the thread. */
export function litBlocks(): Plugin {
  return new Plugin<{ light: Light; set: DecorationSet }>({
    key,
    state: {
      init: () => ({ light: null, set: DecorationSet.empty }),
      apply(tr, was) {
        const light = tr.getMeta(key) as Light | undefined;
        if (light === undefined) return tr.docChanged ? { ...was, set: was.set.map(tr.mapping, tr.doc) } : was;
        return { light, set: decorate(tr.doc, light) };
      },
    },
    props: { decorations: (state) => key.getState(state)?.set },
  });
}

/** Lights blocks of a page, or puts the light out. */
export function lightBlocks(view: EditorView, light: Light): void {
  view.dispatch(view.state.tr.setMeta(key, light).setMeta('addToHistory', false));
}

function decorate(doc: PostNode, light: Light): DecorationSet {
  if (!light) return DecorationSet.empty;
  const found: Decoration[] = [];
  doc.descendants((node, pos) => {
    if (fits(node, light)) found.push(Decoration.node(pos, pos + node.nodeSize, { class: 'lit' }));
    return !node.isTextblock;
  });
  return DecorationSet.create(doc, found);
}

function fits(node: PostNode, light: NonNullable<Light>): boolean {
  if ('block' in light) return node.attrs.id === light.block;
  return ((node.attrs.origins ?? []) as Origin[]).some(
    (o) => o.source === light.source && o.first <= light.passage && light.passage <= o.last,
  );
}
