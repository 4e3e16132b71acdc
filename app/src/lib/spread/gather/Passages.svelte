<!-- The words of a source with their times. Pointing at a passage lights the paragraphs it feeds. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { lettersBefore } from '../player/pointed.ts';
  import { showTime } from '@even-page/core/language/times';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, source }: { piece: Piece; source: SourceInHand } = $props();

  let list: HTMLElement;
  const used = $derived(piece.page.fed.get(source.id));
  const shown = $derived(piece.material.shownPassage?.source === source.id ? piece.material.shownPassage.passage : -1);

  $effect(() => {
    if (shown < 0) return;
    void tick().then(() => list?.children[shown]?.scrollIntoView({ block: 'center' }));
  });

  // Another voice is named once, where it begins.
  const speaker = (n: number) => {
    const own = source.source.passages[n]!.speaker;
    return own && own !== source.source.passages[n - 1]?.speaker ? own : '';
  };

  const player = $derived(piece.player);
  const spoken = $derived(player.source?.id === source.id ? player.passage : -1);

  // The words that are spoken are kept in view, as long as the recording plays.
  $effect(() => {
    if (spoken >= 0 && player.playing) list?.children[spoken]?.scrollIntoView({ block: 'nearest' });
  });

  function playFrom(event: MouseEvent, n: number) {
    if (!event.altKey || !source.recording) return;
    const said = (event.currentTarget as HTMLElement).querySelector('.said')!;
    event.preventDefault();
    piece.playFrom(source.id, n, lettersBefore(said, event) ?? 0);
  }

  // The arrows walk the passages, Enter plays the one they are at; left and right go word by word.
  function onkeydown(event: KeyboardEvent) {
    const all = source.source.passages;
    const here = shown >= 0 ? shown : spoken;
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) piece.material.shownPassage = { source: source.id, passage: Math.max(0, Math.min(all.length - 1, here + step)) };
    else if (!source.recording) return;
    else if (event.key === 'Enter') piece.playFrom(source.id, Math.max(0, here));
    else if (event.key === 'ArrowRight' && player.word && spoken >= 0) piece.playFrom(source.id, spoken, player.word.to + 1);
    else if (event.key === 'ArrowLeft' && player.word && spoken >= 0) piece.playFrom(source.id, spoken, Math.max(0, player.word.from - 2));
    else return;
    event.preventDefault();
  }

  function follow(n: number) {
    let block = '';
    piece.page.doc.descendants((node) => {
      if (
        !block &&
        node.attrs.origins?.some(
          (o: { source: string; first: number; last: number }) => o.source === source.id && o.first <= n && n <= o.last,
        )
      )
        block = node.attrs.id as string;
      return !block && !node.isTextblock;
    });
    if (block) piece.page.goToBlock(block);
  }
</script>

<!-- A scrolled list must be reachable by keyboard, and its arrows walk it. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<ol class="scroll" bind:this={list} tabindex="0" aria-label="Passages of {source.name}" {onkeydown}>
  {#each source.source.passages as passage, n (n)}
    <!-- Playing from a word has its keys on the list. -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
    <li
      class:shown={shown === n}
      class:used={used?.has(n)}
      class:now={spoken === n}
      onclick={(e) => playFrom(e, n)}
      onpointerenter={() => piece.page.light({ source: source.id, passage: n })}
      onpointerleave={() => piece.page.light(null)}
    >
      {#if passage.startMs !== undefined}<span class="t mono">{showTime(passage.startMs)}</span>{:else}<span class="t mono">{n + 1}</span
        >{/if}
      <span class="words"
        >{#if speaker(n)}<b>{speaker(n)}</b>{' '}{/if}<span class="said"
          >{#if spoken === n && player.word}{passage.text.slice(0, player.word.from)}<mark
              >{passage.text.slice(player.word.from, player.word.to)}</mark
            >{passage.text.slice(player.word.to)}{:else}{passage.text}{/if}</span
        ></span
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
  .now {
    background: var(--bottle-tint);
  }
  .said mark {
    padding: 0;
    color: var(--ink);
    background: none;
    box-shadow: inset 0 -3px 0 var(--bottle);
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
