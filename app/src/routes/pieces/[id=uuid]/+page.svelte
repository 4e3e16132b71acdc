<script lang="ts">
  import { untrack } from 'svelte';
  import { Piece } from '$lib/spread/piece.svelte.ts';
  import Spread from '$lib/spread/Spread.svelte';

  let { data } = $props();

  // One piece in hand for as long as its page is open; data that comes later is taken over into it.
  let piece = $state.raw(new Piece(untrack(() => data)));
  let first = true;
  $effect(() => {
    const fresh = data;
    if (first) {
      first = false;
      return;
    }
    untrack(() => {
      if (fresh.piece.id === piece.id) piece.adopt(fresh);
      else piece = new Piece(fresh);
    });
  });
</script>

<svelte:head><title>{piece.details.title || 'Untitled'} · Even Page</title></svelte:head>

{#key piece.id}<Spread {piece} first={data.leaf} />{/key}
