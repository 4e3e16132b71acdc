<!-- The Spread: two facing leaves and the spine between them. -->
<script lang="ts">
  import BookOpen from '@lucide/svelte/icons/book-open';
  import PanelLeftClose from '@lucide/svelte/icons/panel-left-close';
  import PanelLeftOpen from '@lucide/svelte/icons/panel-left-open';
  import PanelRightClose from '@lucide/svelte/icons/panel-right-close';
  import PanelRightOpen from '@lucide/svelte/icons/panel-right-open';
  import { onMount, untrack } from 'svelte';
  import { beforeNavigate } from '$app/navigation';
  import { count } from '$lib/parts/sizes.ts';
  import { status } from '$lib/status.svelte.ts';
  import { STEPS } from '$lib/steps.ts';
  import { fetchTheRest, leafOf, type Leaf as LeafComponent, type LeafName } from './leaves.ts';
  import PageLeaf from './page/PageLeaf.svelte';
  import type { Piece } from './piece.svelte.ts';
  import PlayerBar from './player/PlayerBar.svelte';
  import Spine from './Spine.svelte';
  import StepStrip from './StepStrip.svelte';
  import './page/page.css';

  /** @prop first the leaf of the step that is open as the Spread comes up */
  let { piece, first }: { piece: Piece; first: LeafComponent } = $props();

  let Leaf = $state.raw(untrack(() => first));
  let isAway = $state(false);
  const wanted = $derived<LeafName>(piece.making.shown && piece.making.made ? 'account' : piece.step);
  // The leaf that was open stays until the next is there.
  $effect(() => {
    const name = wanted;
    leafOf(name).then(
      (leaf) => {
        if (name === wanted) [Leaf, isAway] = [leaf, false];
      },
      () => (isAway = true),
    );
  });
  const asks = $derived(STEPS.find((s) => s.name === piece.step)!.asks);

  let folded = $state<'left' | 'right' | null>(null);
  // On a narrow screen the leaves are two sides of one sheet.
  let side = $state<'left' | 'right'>('left');

  const fold = (leaf: 'left' | 'right') => (folded = folded === leaf ? null : leaf);

  // Choosing a step, or asking for a passage, turns to the working side.
  $effect(() => {
    void piece.step;
    void piece.material.shownPassage;
    side = 'left';
    untrack(() => (piece.making.shown = false));
    // The leaf that held the other end of the thread is gone.
    untrack(() => piece.page.light(null));
  });

  // The head line of the application folds away as well.
  $effect(() => {
    document.body.classList.toggle('alone', piece.alone);
    if (piece.alone) piece.page.view?.focus();
    return () => document.body.classList.remove('alone');
  });

  // A choice between two changes stands over the page.
  $effect(() => {
    if (piece.saver.choices.length) side = 'right';
  });

  // The player stays with the recording that is open, on the steps where its words are.
  $effect(() => {
    const open = piece.material.sources.find((s) => s.id === piece.material.openSource);
    if (open?.recording) piece.player.source = open;
    else if (!piece.player.playing) piece.player.source = null;
  });
  const hasPlayer = $derived(
    !!piece.player.source?.recording && (piece.step === 'gather' || piece.step === 'tidy' || piece.player.playing),
  );

  const LATER_MS = 3000;

  function onkeydown(event: KeyboardEvent) {
    // A question over the page takes the key for itself.
    if (event.key === 'Escape' && piece.alone && !document.querySelector('[role=dialog][data-state=open]')) piece.alone = false;
    if (!event.altKey || event.ctrlKey || event.metaKey) return;
    if (event.code === 'BracketLeft') fold('left');
    else if (event.code === 'BracketRight') fold('right');
    else if (event.code === 'KeyA') piece.alone = !piece.alone;
    else if (event.code === 'KeyR' && !event.shiftKey) piece.page.finding = true;
    else if (event.code === 'KeyW' && !event.shiftKey) void piece.rewriteSelected();
    else if (event.code === 'Digit0') side = side === 'left' ? 'right' : 'left';
    else return;
    event.preventDefault();
  }

  beforeNavigate(() => void piece.saver.save());

  onMount(() => {
    piece.begin();
    const later = setTimeout(fetchTheRest, LATER_MS);
    const leave = (event: BeforeUnloadEvent) => {
      if (piece.saver.isSaved) return;
      void piece.saver.save();
      if (!piece.saver.isSafe) event.preventDefault();
    };
    window.addEventListener('beforeunload', leave);
    return () => {
      clearTimeout(later);
      window.removeEventListener('beforeunload', leave);
      piece.end();
      status.says = '';
      status.gravity = 'fine';
    };
  });
</script>

<svelte:window {onkeydown} />

<div class="work" class:alone={piece.alone}>
  <StepStrip {piece} />
  <main class="spread {piece.alone ? 'right' : side}" class:no-left={folded === 'left'} class:no-right={folded === 'right'}>
    <h1 class="sr">{piece.details.title || 'Untitled'}</h1>
    <section class="leaf l" aria-label={asks}>
      {#if isAway}<p class="note" role="alert">
          This leaf could not be fetched from the server. Your words are safe; open the step again when the server answers.
        </p>{:else}<Leaf {piece} />{/if}
      {#if hasPlayer}{#key piece.player.source!.id}<PlayerBar {piece} />{/key}{/if}
    </section>
    <div class="spine">
      <Spine {piece} />
      <div class="folds">
        <button
          onclick={() => fold('left')}
          title="{folded === 'left' ? 'Open' : 'Fold'} the left leaf (Alt [)"
          aria-label="{folded === 'left' ? 'Open' : 'Fold'} the left leaf"
        >
          {#if folded === 'left'}<PanelLeftOpen size={15} />{:else}<PanelLeftClose size={15} />{/if}
        </button>
        <button
          onclick={() => fold('right')}
          title="{folded === 'right' ? 'Open' : 'Fold'} the right leaf (Alt ])"
          aria-label="{folded === 'right' ? 'Open' : 'Fold'} the right leaf"
        >
          {#if folded === 'right'}<PanelRightOpen size={15} />{:else}<PanelRightClose size={15} />{/if}
        </button>
      </div>
    </div>
    <section class="leaf r" aria-label="Page">
      <PageLeaf {piece} />
    </section>
    <button class="turn act" onclick={() => (side = side === 'left' ? 'right' : 'left')}
      ><BookOpen size={16} aria-hidden="true" />{side === 'left' ? 'Page' : STEPS.find((s) => s.name === piece.step)!.label}</button
    >
  </main>
  {#if piece.alone}
    <p class="foot">
      {count(piece.proofing.figures?.words ?? 0, 'word')}, {count(piece.proofing.figures?.minutes ?? 0, 'minute')} to read
      <span role="status">{status.says}</span>
      <button class="word" onclick={() => (piece.alone = false)}>Everything else (Esc)</button>
    </p>
  {/if}
</div>

<style>
  .work {
    display: grid;
    grid-template-rows: 58px minmax(0, 1fr);
    height: calc(100dvh - 44px);
  }
  .spread {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 72px minmax(0, 1fr);
    min-height: 0;
    padding: 10px 20px 18px;
  }
  .alone {
    grid-template-rows: minmax(0, 1fr) 40px;
    height: 100dvh;
  }
  .alone > :global(nav),
  .alone .spine,
  .alone .leaf.l,
  .alone .turn {
    display: none;
  }
  :global(body.alone header) {
    display: none;
  }
  .alone .spread {
    grid-template-columns: minmax(0, 780px);
    justify-content: center;
    padding-bottom: 0;
  }
  .alone .leaf.r {
    grid-column: 1;
    box-shadow: none;
  }
  .foot {
    display: flex;
    justify-content: center;
    align-items: center;
    gap: 20px;
    margin: 0;
    font-size: 14px;
    color: var(--faded);
  }
  .leaf {
    position: relative;
    display: flex;
    flex-direction: column;
    min-height: 0;
    min-width: 0;
    overflow: hidden;
    background: var(--leaf);
    border: 1px solid var(--leaf-edge);
    box-shadow: var(--shadow);
  }
  .l {
    border-radius: 3px 0 0 3px;
    border-right: 0;
  }
  .r {
    border-radius: 0 3px 3px 0;
    border-left: 0;
  }
  /* Where the leaves go into the fold. */
  .leaf::after {
    content: '';
    position: absolute;
    top: 0;
    bottom: 0;
    width: 26px;
    pointer-events: none;
  }
  .l::after {
    right: 0;
    background: linear-gradient(to left, var(--fold), transparent);
  }
  .r::after {
    left: 0;
    background: linear-gradient(to right, var(--fold), transparent);
  }
  .leaf :global(.scroll) {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    scrollbar-width: thin;
    scrollbar-color: var(--hair) transparent;
  }
  .leaf :global(.leaf-body) {
    display: flex;
    flex-direction: column;
    flex: 1;
    min-height: 0;
  }
  .spine {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    min-height: 0;
    background: var(--paper-2);
  }
  .folds {
    display: flex;
    justify-content: center;
    padding: 2px 0;
    border-bottom: 1px solid var(--leaf-edge);
    color: var(--faded);
  }
  .folds button {
    display: grid;
    place-items: center;
    width: 28px;
    height: 26px;
    border-radius: 3px;
  }
  .folds button:hover {
    color: var(--ink);
    background: var(--bottle-tint);
  }
  .no-left {
    grid-template-columns: 72px minmax(0, 1fr);
  }
  .no-left .l,
  .no-right .r {
    display: none;
  }
  .no-right {
    grid-template-columns: minmax(0, 1fr) 72px;
  }
  /* A page alone keeps the measure of a page. */
  .no-left .r :global(.sheet > *) {
    max-width: 720px;
    margin-inline: auto;
  }
  .turn {
    display: none;
  }
  @media (max-width: 900px) {
    .spread,
    .no-left,
    .no-right {
      grid-template-columns: minmax(0, 1fr);
      padding: 6px 8px 8px;
    }
    .spine,
    .left .r,
    .right .l {
      display: none;
    }
    .left .l,
    .right .r {
      display: flex;
      border: 1px solid var(--leaf-edge);
      border-radius: 3px;
    }
    /* What is scrolled to the end stands clear of the button. */
    .leaf :global(.scroll) {
      padding-bottom: 84px;
    }
    .turn {
      display: inline-flex;
      position: fixed;
      right: 18px;
      bottom: 20px;
      z-index: 20;
      min-height: 44px;
      padding-inline: 18px;
      border-radius: 22px;
      box-shadow: var(--shadow);
    }
    .left:has(:global(.player)) .turn {
      bottom: 74px;
    }
  }
</style>
