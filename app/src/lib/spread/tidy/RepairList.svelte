<!-- The words of a source with their repairs, paragraph by paragraph; arrows walk the repairs, Alt and a click plays from a word. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { showTime } from '@even-page/core/language/times';
  import { type Edit, flowOf, passageAt } from '@even-page/core/tidy';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { lettersBefore } from '../player/pointed.ts';
  import RepairedWords from './RepairedWords.svelte';
  import type { Shown } from './segments.ts';

  let {
    piece,
    source: open,
    shown,
    hit,
    matches,
    isTaken,
    toggle,
    list = $bindable(),
  }: {
    piece: Piece;
    source: SourceInHand;
    shown: readonly Shown[];
    hit: number;
    matches: (edit: Edit) => boolean;
    isTaken: (edit: Edit) => boolean;
    toggle: (edit: Edit) => void;
    list?: HTMLElement;
  } = $props();

  const highlighted = $derived(piece.material.shownPassage?.source === open.id ? piece.material.shownPassage.passage : -1);

  $effect(() => {
    if (highlighted < 0) return;
    void tick().then(() => list?.querySelector('.shown')?.scrollIntoView({ block: 'center' }));
  });

  const holds = (passage: number, n: number, next: number | undefined) => passage >= n && (next === undefined || passage < next);
  const spoken = $derived(piece.player.source?.id === open.id ? piece.player.passage : -1);
  const starts = $derived(open.recording ? flowOf(open.source).starts : []);

  // The word that is spoken is painted over the text, which stays as it is.
  $effect(() => {
    const { word } = piece.player;
    const at = word && spoken >= 0 ? starts[spoken]! + word.from : -1;
    const stretch =
      at < 0
        ? undefined
        : Array.from(list?.querySelectorAll<HTMLElement>('.now [data-at]') ?? []).findLast((e) => Number(e.dataset.at) <= at)?.firstChild;
    const from = stretch ? at - Number(stretch.parentElement!.dataset.at) : 0;
    if (!word || !stretch || from >= stretch.textContent!.length) return;
    const range = new Range();
    range.setStart(stretch, from);
    range.setEnd(stretch, Math.min(stretch.textContent!.length, from + word.to - word.from));
    CSS.highlights?.set('spoken', new Highlight(range));
    return () => CSS.highlights?.delete('spoken');
  });

  // Alt and a click on a word plays the recording from there.
  function playFrom(event: MouseEvent) {
    if (!event.altKey || !open.recording) return;
    const stretch = (event.target as HTMLElement).closest<HTMLElement>('[data-at]');
    const paragraph = (event.target as HTMLElement).closest<HTMLElement>('[data-from]');
    if (!paragraph) return;
    event.preventDefault();
    event.stopPropagation();
    const at = stretch ? Number(stretch.dataset.at) + (lettersBefore(stretch, event) ?? 0) : Number(paragraph.dataset.from);
    const flow = flowOf(open.source);
    const passage = passageAt(flow, at);
    piece.playFrom(open.id, passage, at - flow.starts[passage]!);
  }

  // One tab stop for all repairs: the arrows walk from one to the next.
  function walk(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (!step || !list) return;
    const marks = [...list.querySelectorAll<HTMLElement>('.live')];
    if (!marks.length) return;
    event.preventDefault();
    const at = marks.indexOf(document.activeElement as HTMLElement);
    marks[at < 0 ? 0 : Math.max(0, Math.min(marks.length - 1, at + step))]!.focus();
  }
</script>

<!-- Arrows walk the repairs inside. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="scroll"
  role="group"
  tabindex="0"
  aria-label="Words with repairs: arrows walk them, Enter takes one or puts it back"
  bind:this={list}
  onkeydown={walk}
  onclickcapture={playFrom}
>
  {#each shown as p, i (p.from)}
    <div
      class="para"
      role="presentation"
      class:shown={holds(highlighted, p.passage, shown[i + 1]?.passage)}
      class:now={holds(spoken, p.passage, shown[i + 1]?.passage)}
      onpointerenter={() => piece.page.light({ source: open.id, passage: p.passage })}
      onpointerleave={() => piece.page.light(null)}
    >
      <span class="t mono">{p.startMs !== undefined ? showTime(p.startMs) : p.passage !== shown[i - 1]?.passage ? p.passage + 1 : ''}</span>
      <div class="words" data-from={p.from}>
        {#if p.speaker && p.speaker !== shown[i - 1]?.speaker}<b>{p.speaker}</b>{' '}{/if}<RepairedWords
          segments={p.segments}
          {hit}
          {matches}
          {isTaken}
          {toggle}
        />
      </div>
    </div>
  {/each}
</div>

<style>
  .scroll {
    padding-block: 14px 40px;
  }
  .para {
    display: grid;
    grid-template-columns: 50px minmax(0, 1fr);
    gap: 12px;
    padding: 4px 20px 8px;
    content-visibility: auto;
    contain-intrinsic-size: auto 130px;
  }
  .para.shown {
    background: var(--slate-tint);
    box-shadow: inset 3px 0 var(--slate);
  }
  .t {
    padding-top: 5px;
    text-align: right;
    color: var(--slate);
  }
  b {
    font: 600 14px var(--sans);
  }
  .words {
    overflow-wrap: anywhere;
  }
  .para.now {
    background: var(--bottle-tint);
  }
  :global(::highlight(spoken)) {
    text-decoration: underline 3px var(--bottle);
  }
</style>
