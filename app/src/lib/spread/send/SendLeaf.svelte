<!-- Send: where does it go, and when? The details of the post, the outlets, and files to take along. -->
<script lang="ts">
  import type { Piece } from '../piece.svelte.ts';
  import Details from './Details.svelte';
  import Outlets from './Outlets.svelte';
  import { takeAlong } from './take-along.ts';

  let { piece }: { piece: Piece } = $props();

  let slugSorry = $state('');
  const take = (to: 'md' | 'html') => takeAlong(to, piece.detailsNow(), piece.page.doc);
</script>

<div class="bar"><h2>Details</h2></div>
<div class="scroll">
  <Details {piece} bind:slugSorry />
  <Outlets {piece} isReady={!slugSorry} />

  <div class="bar soft"><h2>Take it along</h2></div>
  <div class="lines take">
    <button class="quiet" onclick={() => take('md')}>Markdown file</button>
    <button class="quiet" onclick={() => take('html')}>HTML file</button>
    <span class="muted small">Pictures go along in a ZIP. To copy instead, use the views of the page.</span>
  </div>
</div>

<style>
  .soft {
    border-top: 1px solid var(--hair);
    border-bottom-style: dotted;
  }
  .take {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
  }
</style>
