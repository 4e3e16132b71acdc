import { Decoration, type EditorView } from 'prosemirror-view';
import { paint } from './paint.ts';

/** The places on the page that were looked for. */
export const hits = paint('hits');

/** Shows these places of the page, the one in hand most of all, and brings it into view; none takes the marks away. */
export function showHits(view: EditorView, places: readonly ({ from: number; to: number } | null)[], inHand: number): void {
  hits.show(
    view,
    places.flatMap((place, i) => (place ? [Decoration.inline(place.from, place.to, { class: i === inHand ? 'hit in-hand' : 'hit' })] : [])),
  );
  view.dom.querySelector('.hit.in-hand')?.scrollIntoView({ block: 'nearest' });
}
