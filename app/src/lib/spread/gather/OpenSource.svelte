<!-- The source that is open: how it is read, where it stands among the others, and its words. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import type { Reading } from '@even-page/core/gather';
  import { askServer, json } from '$lib/ask-server.ts';
  import Views from '$lib/parts/Views.svelte';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Transcribing from './Transcribing.svelte';
  import Passages from './Passages.svelte';
  import Published from './Published.svelte';

  let {
    piece,
    source,
    change,
  }: { piece: Piece; source: SourceInHand; change: (says: string, work: () => Promise<unknown>, done?: string) => Promise<void> } =
    $props();

  const readings = $derived(piece.material.kinds[source.source.kind]?.readings ?? []);
  const at = $derived(piece.material.sources.findIndex((s) => s.id === source.id));
  const address = $derived(`/pieces/${piece.id}/sources/${source.id}`);

  const readAs = (reading: Reading) => void change('Reading', () => askServer(`${address}/reading`, json('PUT', { reading })));
  const move = (position: number) => void change('Moving', () => askServer(address, json('PATCH', { position })));

  const takeOff = () =>
    void change(
      'Taking off',
      () => askServer(address, json('PATCH', { isOff: true })),
      `${source.name} is off this piece. It is kept: “Use again” brings it back.`,
    );
</script>

<div class="bar soft">
  {#if readings.length}
    <Views views={readings} bind:open={() => source.reading, readAs} label="How this source is read" />
  {:else}
    <span class="muted small" title="They are kept so, whatever happens later">The words as they came</span>
  {/if}
  <div class="end">
    {#if piece.material.sources.length > 1}
      <button class="icon" disabled={at === 0} aria-label="Move up" title="Move up" onclick={() => move(at - 1)}
        ><ArrowUp size={15} /></button
      >
      <button
        class="icon"
        disabled={at === piece.material.sources.length - 1}
        aria-label="Move down"
        title="Move down"
        onclick={() => move(at + 1)}><ArrowDown size={15} /></button
      >
    {/if}
    <button class="word" onclick={takeOff}>Take off</button>
    {#if piece.material.leftToTidy}<button class="word" onclick={() => piece.goTo('tidy')}>Go on to Tidy</button>{/if}
  </div>
</div>
{#each source.notes as note (note)}<p class="note"><span aria-hidden="true">◇</span> {note}</p>{/each}
{#if source.recording}{#key source.id}<Published {piece} {source} />{/key}{/if}
{#if source.transcribing}<Transcribing {source} />{/if}
<Passages {piece} {source} />

<style>
  .soft {
    border-bottom-style: dotted;
    font-size: 14px;
  }
  .icon {
    display: grid;
    place-items: center;
    width: 26px;
    height: 26px;
    border-radius: 3px;
    color: var(--faded);
  }
  .icon:hover:enabled {
    color: var(--ink);
    background: var(--bottle-tint);
  }
  .icon:disabled {
    opacity: 0.35;
  }
  .note {
    margin: 0;
    padding: 8px 20px;
    background: var(--brass-tint);
    color: var(--ink);
    font-size: 14px;
  }
  .note span {
    color: var(--brass);
  }
</style>
