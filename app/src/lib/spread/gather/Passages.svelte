<!-- The words of a source with their times. Pointing at a passage lights the paragraphs it feeds. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { showTime } from '@even-page/core/language/times';
  import type { Piece, SourceInHand } from '../piece.svelte.ts';

  let { piece, source }: { piece: Piece; source: SourceInHand } = $props();

  let list: HTMLElement;
  const used = $derived(piece.usedPassages.get(source.id));
  const shown = $derived(piece.shownPassage?.source === source.id ? piece.shownPassage.passage : -1);

  $effect(() => {
    if (shown < 0) return;
    void tick().then(() => list?.children[shown]?.scrollIntoView({ block: 'center' }));
  });

  // Another voice is named once, where it begins.
  const speaker = (n: number) => {
    const own = source.source.passages[n]!.speaker;
    return own && own !== source.source.passages[n - 1]?.speaker ? own : '';
  };

  function follow(n: number) {
    let block = '';
    piece.doc.descendants((node) => {
      if (
        !block &&
        node.attrs.origins?.some(
          (o: { source: string; first: number; last: number }) => o.source === source.id && o.first <= n && n <= o.last,
        )
      )
        block = node.attrs.id as string;
      return !block && !node.isTextblock;
    });
    if (block) piece.goToBlock(block);
  }
</script>

<!-- A scrolled list must be reachable by keyboard. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<ol class="scroll" bind:this={list} tabindex="0" aria-label="Passages of {source.name}">
  {#each source.source.passages as passage, n (n)}
    <li
      class:shown={shown === n}
      class:used={used?.has(n)}
      onpointerenter={() => piece.light({ source: source.id, passage: n })}
      onpointerleave={() => piece.light(null)}
    >
      {#if passage.startMs !== undefined}<span class="t mono">{showTime(passage.startMs)}</span>{:else}<span class="t mono">{n + 1}</span
        >{/if}
      <span class="words"
        >{#if speaker(n)}<b>{speaker(n)}</b>{' '}{/if}{passage.text}</span
      >
      {#if used?.has(n)}<button
          class="go"
          title="Go to the paragraph it feeds"
          aria-label="Go to the paragraph this passage feeds"
          onclick={() => follow(n)}>→</button
        >{/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    padding-block: 10px 40px;
  }
  li {
    display: grid;
    grid-template-columns: 50px minmax(0, 1fr) 24px;
    gap: 12px;
    padding: 3px 12px 3px 20px;
    content-visibility: auto;
    contain-intrinsic-size: auto 32px;
  }
  li:hover,
  .shown {
    background: var(--slate-tint);
  }
  .shown {
    box-shadow: inset 3px 0 var(--slate);
  }
  .t {
    padding-top: 5px;
    text-align: right;
    color: var(--slate);
  }
  .words {
    overflow-wrap: anywhere;
  }
  b {
    font: 600 14px var(--sans);
  }
  .go {
    align-self: start;
    padding-top: 3px;
    color: var(--slate);
    opacity: 0;
  }
  li:hover .go,
  .go:focus-visible {
    opacity: 1;
  }
</style>
