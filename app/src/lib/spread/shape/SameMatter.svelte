<!-- Sections and paragraphs that say the same, side by side: join them, or keep both. -->
<script lang="ts">
  import { joined, type LikePlace, type SameMatter } from '@even-page/core/shape';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Offer from './Offer.svelte';

  let { piece, doc, found }: { piece: Piece; /** The page they were found on. */ doc: Piece['page']['doc']; found: readonly SameMatter[] } =
    $props();

  // Pairs the writer wants both of, for as long as this page is open.
  let wanted = $state<Record<string, boolean>>({});
  const keyOf = ({ one, other }: SameMatter) => `${one.id} ${other.id}`;
  const pairs = $derived(found.filter((pair) => !wanted[keyOf(pair)]));

  function join(pair: SameMatter) {
    if (piece.page.doc === doc) piece.page.rewrite(joined(piece.page.doc, pair));
    piece.page.goToBlock(pair.one.id);
  }
  const short = (text: string) => (text.length > 220 ? `${text.slice(0, 220)}…` : text);
</script>

{#snippet side(place: LikePlace)}
  <button class="side" onclick={() => piece.page.goToBlock(place.id)}>
    <b>{place.heading || 'Untitled'}</b>
    <span>{short(place.text)}</span>
  </button>
{/snippet}

{#if pairs.length}
  <Offer label="The same matter stands in two places {pairs.length > 1 ? `(${count(pairs.length, 'pair')})` : ''}">
    {#each pairs as pair (keyOf(pair))}
      <li>
        <div class="pair">{@render side(pair.one)}{@render side(pair.other)}</div>
        <div class="acts">
          <button class="quiet" onclick={() => join(pair)}>{pair.kind === 'sections' ? 'Join the sections' : 'Join'}</button>
          <button class="quiet" onclick={() => (wanted[keyOf(pair)] = true)}>Keep both</button>
        </div>
      </li>
    {/each}
  </Offer>
{/if}

<style>
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 16px;
    align-items: start;
  }
  .side {
    display: grid;
    gap: 2px;
    text-align: left;
  }
  .side span {
    font: 15px/1.5 var(--serif);
  }
  @media (max-width: 600px) {
    .pair {
      grid-template-columns: 1fr;
    }
  }
</style>
