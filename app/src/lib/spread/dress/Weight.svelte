<!-- A picture as it came and as it is made light, side by side, at any quality. -->
<script lang="ts">
  import { FILE_WIDTHS, sizeAt } from '@even-page/core/dress';
  import { refusalOf } from '$lib/ask-server.ts';
  import { figure, sayBytes } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import type { Picture } from '$lib/pictures/known.ts';

  let { piece, facts }: { piece: Piece; facts: Picture } = $props();

  // svelte-ignore state_referenced_locally
  let quality = $state(facts.quality);
  let light = $state('');
  let bytes = $state(0);
  let sorry = $state('');
  let busy = $state(false);
  const size = $derived(sizeAt(facts, FILE_WIDTHS.medium));

  let asked = 0;
  $effect(() => {
    const [own, at] = [++asked, quality];
    const timer = setTimeout(async () => {
      const response = await fetch(`${facts.src}/tried?quality=${at}`).catch(() => null);
      if (own !== asked) return;
      if (!response?.ok) return void (sorry = 'The server does not answer: try again in a moment.');
      const blob = await response.blob();
      sorry = '';
      bytes = blob.size;
      if (light) URL.revokeObjectURL(light);
      light = URL.createObjectURL(blob);
    }, 150);
    return () => clearTimeout(timer);
  });
  $effect(() => () => light && URL.revokeObjectURL(light));

  async function use() {
    busy = true;
    sorry = await refusalOf(() => piece.dress.change(facts.src, { quality }));
    busy = false;
  }
</script>

<div class="weight" {@attach (box) => box.scrollIntoView({ block: 'nearest', behavior: 'smooth' })}>
  <div class="two">
    <figure>
      <img src="{facts.src}/original" alt="As it came" />
      <figcaption>as it came: {sayBytes(facts.originalBytes)}, {figure(facts.width)} × {figure(facts.height)}</figcaption>
    </figure>
    <figure>
      {#if light}<img src={light} alt="At quality {quality}" />{/if}
      <figcaption>
        {bytes ? `made light: ${sayBytes(bytes)}, ${figure(size.width)} × ${figure(size.height)}` : 'making it light…'}
      </figcaption>
    </figure>
  </div>
  <label
    >Quality <input type="range" min="30" max="92" step="2" bind:value={quality} /> <b class="mono">{quality}</b>
    <button class="quiet" disabled={busy || quality === facts.quality} onclick={() => void use()}
      >{busy ? 'Making its files…' : 'Use it'}</button
    >
  </label>
  {#if sorry}<p class="sorry" role="alert">{sorry}</p>{/if}
</div>

<style>
  .weight {
    padding: 4px 20px 12px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
  }
  img {
    width: 100%;
    max-height: 220px;
    object-fit: contain;
    background: var(--paper-2);
  }
  figcaption {
    color: var(--faded);
    font-size: 13px;
  }
  label {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    margin-top: 8px;
  }
  input {
    flex: 1;
    min-width: 120px;
    accent-color: var(--bottle);
  }
</style>
