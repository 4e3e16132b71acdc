<!-- The post as readers will see it, at the width of a phone, a tablet or a desktop, drawn smaller where it must be. -->
<script lang="ts">
  import { postToHtml } from '@even-page/core/post/html';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const WIDTHS = [
    { name: 'Phone', px: 390 },
    { name: 'Tablet', px: 768 },
    { name: 'Desktop', px: 1200 },
  ] as const;
  let width = $state.raw<(typeof WIDTHS)[number]>(WIDTHS[0]);
  let room = $state(0);
  const scale = $derived(Math.min(1, (room - 2) / width.px));
  $effect(() => {
    void piece.page.tick;
    void piece.dress.learn(piece.page.doc);
  });
  // Safe to show as it is: it is made of the post's own nodes, whose addresses are checked.
  const html = $derived.by(() => {
    void piece.page.tick;
    return postToHtml(piece.page.doc, { ...piece.dress.dress(), paid: piece.material.house.paid });
  });
</script>

<div class="bar widths" role="radiogroup" aria-label="Width of the screen">
  {#each WIDTHS as w (w.name)}
    <button class="chip" role="radio" aria-checked={width === w} onclick={() => (width = w)}
      >{w.name} <span class="mono muted">{w.px}</span></button
    >
  {/each}
  {#if room && scale < 1}<span class="muted small">drawn at {Math.round(scale * 100)} %</span>{/if}
</div>
<div class="table">
  <div class="room" bind:clientWidth={room}>
    <div class="screen" style="width:{width.px}px; zoom:{scale}">
      <article class="page" class:wide={width.px > 600}>
        <h1>{piece.details.title || 'Untitled'}</h1>
        {#if piece.details.standfirst}<p class="standfirst">{piece.details.standfirst}</p>{/if}
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html html}
      </article>
    </div>
  </div>
</div>

<style>
  .widths {
    border-bottom-style: dotted;
  }
  .table {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    padding: 18px 20px;
    background: var(--paper-2);
  }
  .screen {
    margin: 0 auto;
    background: var(--leaf);
    border: 1px solid var(--hair);
  }
  article {
    max-width: 704px;
    margin: 0 auto;
    padding: 24px 20px 48px;
  }
  .wide {
    padding: 40px 32px 64px;
  }
  h1 {
    margin: 0 0 8px !important;
    font: 650 30px/1.18 var(--serif) !important;
    letter-spacing: -0.015em;
  }
  .standfirst {
    font-style: italic;
    color: var(--faded);
  }
</style>
