<!-- Dress: what should readers see? Pictures, clips and the cover. -->
<script lang="ts">
  import FileChooser from '$lib/parts/FileChooser.svelte';
  import Fetched from '$lib/parts/Fetched.svelte';
  import Views from '$lib/parts/Views.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import PicturesTab from './PicturesTab.svelte';

  let { piece }: { piece: Piece } = $props();

  const VIEWS = [
    { name: 'pictures', label: 'Pictures' },
    { name: 'clips', label: 'Clips' },
    { name: 'cover', label: 'Cover' },
  ] as const;
  let isSearching = $state(false);

  $effect(() => {
    void piece.page.tick;
    void piece.dress.learn(piece.page.doc);
  });

  // Where the writer is; a first picture goes after the first paragraph (common practice, no source).
  function placeForPicture(): number | undefined {
    const { doc, view } = piece.page;
    if (view?.state.selection.from !== 1) return undefined;
    return doc.firstChild!.nodeSize;
  }

  const add = (files: readonly File[]) => {
    isSearching = false;
    piece.dress.bring(
      files.filter((f) => !f.type || f.type.startsWith('image/')),
      placeForPicture(),
    );
  };
</script>

<div class="bar">
  <Views views={VIEWS} bind:open={piece.dressView} label="Dress" />
  {#if piece.dressView === 'pictures'}
    <div class="end">
      <button class="quiet" aria-pressed={isSearching} onclick={() => (isSearching = !isSearching)}
        >{isSearching ? 'Back to the page’s' : 'Search the stock'}</button
      >
      <FileChooser label="Choose pictures" accept="image/*" onfiles={add}>
        {#snippet children(choose)}<button class="act" onclick={choose}>Add</button>{/snippet}
      </FileChooser>
    </div>
  {/if}
</div>
{#if piece.dressView === 'pictures'}
  {#if isSearching}<Fetched
      part={() => import('./StockSearch.svelte')}
      props={{ piece, place: placeForPicture, onend: () => (isSearching = false) }}
    />
  {:else}<PicturesTab {piece} onfiles={add} />{/if}
{:else if piece.dressView === 'clips'}<Fetched part={() => import('./ClipsTab.svelte')} props={{ piece }} />
{:else}<Fetched part={() => import('./CoverTab.svelte')} props={{ piece }} />{/if}
