import { Plugin, PluginKey } from 'prosemirror-state';
import { DecorationSet, type Decoration, type EditorView } from 'prosemirror-view';

/** Something shown over the page that is no part of it: a plugin, and the way to show other places. */
export type Paint = { plugin: () => Plugin; show: (view: EditorView, places: Decoration[]) => void };

/** A paint of this name. What it shows moves with the words until it is shown anew. */
export function paint(name: string): Paint {
  const key = new PluginKey<DecorationSet>(name);
  return {
    plugin: () =>
      new Plugin<DecorationSet>({
        key,
        state: {
          init: () => DecorationSet.empty,
          apply: (tr, was) => (tr.getMeta(key) as DecorationSet | undefined) ?? was.map(tr.mapping, tr.doc),
        },
        props: { decorations: (state) => key.getState(state) },
      }),
    show: (view, places) =>
      view.dispatch(view.state.tr.setMeta(key, DecorationSet.create(view.state.doc, places)).setMeta('addToHistory', false)),
  };
}
