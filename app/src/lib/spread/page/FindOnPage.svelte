<!-- Find and replace in the words of the page; each replacement is one step that undo takes back. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { closeHistory } from 'prosemirror-history';
  import { TextSelection } from 'prosemirror-state';
  import type { FoundWords } from '@even-page/core/tidy';
  import { onPage, pageText } from '@even-page/core/write';
  import FindBar from '$lib/parts/FindBar.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import { showHits } from './hits.ts';

  let { piece, onclose }: { piece: Piece; onclose: () => void } = $props();

  let matches = $state.raw<readonly FoundWords[]>([]);
  let at = $state(0);

  const page = $derived.by(() => {
    void piece.page.tick;
    return pageText(piece.page.doc);
  });
  const places = $derived(matches.map((m) => onPage(page, m.from, m.to)));

  $effect(() => {
    if (piece.page.view) showHits(piece.page.view, places, at);
  });
  onMount(() => () => piece.page.view && showHits(piece.page.view, [], 0));

  // The last first, so that the places of the others hold.
  function replace(chosen: readonly FoundWords[]): number {
    if (!piece.page.view) return 0;
    const { tr } = piece.page.view.state;
    let n = 0;
    for (const match of [...chosen].reverse()) {
      const place = onPage(page, match.from, match.to);
      if (!place) continue;
      if (match.after) tr.insertText(match.after, place.from, place.to);
      else tr.delete(place.from, place.to);
      n++;
    }
    if (n) piece.page.view.dispatch(closeHistory(tr));
    return n;
  }

  function inSelection(): readonly FoundWords[] {
    const range = piece.page.view?.state.selection;
    return range ? matches.filter((_, i) => places[i] && places[i].from >= range.from && places[i].to <= range.to) : [];
  }

  // The place in hand is where the caret is when the writer goes on.
  function close() {
    const place = places[at];
    onclose();
    if (!piece.page.view) return;
    if (place) piece.page.view.dispatch(piece.page.view.state.tr.setSelection(TextSelection.create(piece.page.doc, place.from, place.to)));
    piece.page.view.focus();
  }
</script>

<FindBar text={page.text} bind:matches bind:at onreplace={replace} selected={inSelection} onclose={close} />
