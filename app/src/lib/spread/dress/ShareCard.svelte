<!-- How the post looks where somebody shares its address: picture, title, description. -->
<script lang="ts">
  import type { Piece } from '../piece.svelte.ts';

  let { piece, still, first }: { piece: Piece; still?: string; first?: string } = $props();

  const picture = $derived(piece.details.cover ?? '');
</script>

<section aria-labelledby="share-card">
  <h2 id="share-card">Where it is shared</h2>
  <div class="card">
    {#if picture}<img src="{picture}?as=cover" alt="" />{:else}<div class="none">no picture</div>{/if}
    <div>
      <b>{piece.details.title || 'Untitled'}</b>
      <span>{piece.details.description || 'No description yet: see Send.'}</span>
    </div>
  </div>
  {#if !picture}
    {#if still || first}
      <p class="small">
        Without a cover, whoever shows the link takes any picture.
        {#if still}<button class="word" onclick={() => (piece.details.cover = still)}>Take the still of the clip</button>{/if}
        {#if first}<button class="word" onclick={() => (piece.details.cover = first)}>Take the first picture of the page</button>{/if}
      </p>
    {/if}
  {:else}
    <p class="small">
      <button class="word" onclick={() => ((piece.details.cover = undefined), (piece.details.design = undefined))}
        >No cover after all</button
      >
    </p>
  {/if}
</section>

<style>
  section {
    padding: 12px 20px 24px;
    border-top: 1px dotted var(--hair);
  }
  h2 {
    margin-bottom: 8px;
    font: 640 15px/1.3 var(--sans);
  }
  .card {
    max-width: 380px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    overflow: hidden;
  }
  .card img,
  .none {
    display: grid;
    place-items: center;
    width: 100%;
    aspect-ratio: 1200/630;
    background: var(--paper-2);
    color: var(--faded);
  }
  .card div:last-child {
    display: grid;
    gap: 2px;
    padding: 9px 12px;
  }
  .card span {
    display: -webkit-box;
    overflow: hidden;
    color: var(--faded);
    font-size: 14px;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }
  p {
    margin: 8px 0 0;
  }
</style>
