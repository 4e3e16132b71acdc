<!-- Send, which is needed last: it is fetched by itself, so that the rest of the Spread is there sooner. -->
<script lang="ts">
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();
</script>

{#await import('./SendLeaf.svelte') then { default: SendLeaf }}
  <SendLeaf {piece} />
{:catch}
  <p class="note">Send could not be fetched from the server. The page is safe; reload when the server answers again.</p>
{/await}
