<!-- Sections and paragraphs that say the same, side by side: join them, or keep both. -->
<script lang="ts">
  import { joined, type Place, type SameMatter } from '@even-page/core/shape/same-matter';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const QUIET_MS = 600;
  let found = $state.raw<{ doc: Piece['doc'] | null; pairs: SameMatter[] }>({ doc: null, pairs: [] });
  let isOpen = $state(false);
  // Pairs the writer wants both of, for as long as this page is open.
  let wanted = $state<Record<string, boolean>>({});
  const keyOf = ({ one, other }: SameMatter) => `${one.id} ${other.id}`;
  const pairs = $derived(found.pairs.filter((pair) => !wanted[keyOf(pair)]));

  // Looked for when the page has been quiet for a moment.
  $effect(() => {
    void piece.pageTick;
    const timer = setTimeout(async () => {
      const { doc } = piece;
      const pairs = await core().sameMatter(doc.toJSON() as object);
      if (piece.doc === doc) found = { doc, pairs };
    }, QUIET_MS);
    return () => clearTimeout(timer);
  });

  function join(pair: SameMatter) {
    if (piece.doc === found.doc) piece.rewrite(joined(piece.doc, pair));
    piece.goToBlock(pair.one.id);
  }
  const short = (text: string) => (text.length > 220 ? `${text.slice(0, 220)}…` : text);
</script>

{#snippet side(place: Place)}
  <button class="side" onclick={() => piece.goToBlock(place.id)}>
    <b>{place.heading || 'Untitled'}</b>
    <span>{short(place.text)}</span>
  </button>
{/snippet}

{#if pairs.length}
  <div class="head">
    <button class="word" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
      >The same matter stands in two places {pairs.length > 1 ? `(${count(pairs.length, 'pair')})` : ''}</button
    >
  </div>
  {#if isOpen}
    <ul>
      {#each pairs as pair (keyOf(pair))}
        <li>
          <div class="pair">{@render side(pair.one)}{@render side(pair.other)}</div>
          <div class="acts">
            <button class="quiet" onclick={() => join(pair)}>{pair.kind === 'sections' ? 'Join the sections' : 'Join'}</button>
            <button class="quiet" onclick={() => (wanted[keyOf(pair)] = true)}>Keep both</button>
          </div>
        </li>
      {/each}
    </ul>
  {/if}
{/if}

<style>
  .head {
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  li {
    display: grid;
    gap: 8px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
  }
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
  .acts {
    display: flex;
    gap: 8px;
    font-size: 14px;
  }
  @media (max-width: 600px) {
    .pair {
      grid-template-columns: 1fr;
    }
  }
</style>
