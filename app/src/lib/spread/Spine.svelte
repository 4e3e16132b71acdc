<!-- The spine between the leaves: a stitched segment per section, as tall as its words, a knot where it starts. -->
<script lang="ts">
  import { isBody, weightOf } from '@even-page/core/shape';
  import { count } from '$lib/parts/sizes.ts';
  import Level from './Level.svelte';
  import { moveSectionAt } from './page/commands.ts';
  import type { Piece } from './piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const words = $derived(piece.page.sections.map((s) => s.words));
  // Standing parts have lengths of their own: evenness is one of the body.
  const body = $derived(piece.page.sections.filter(isBody).map((s) => s.words));
  const total = $derived(
    Math.max(
      1,
      words.reduce((sum, w) => sum + w, 0),
    ),
  );
  let dragged = $state<{ at: number; by: number } | null>(null);
  let column = $state<HTMLElement>();
  // The segment that passages are held over.
  let fedAt = $state(-1);

  function takesPassages(event: DragEvent, at: number) {
    if (!piece.page.carried.length) return;
    event.preventDefault();
    fedAt = at;
  }

  function takePassages(event: DragEvent, section: string) {
    event.preventDefault();
    piece.page.feed(section, piece.page.carried);
    fedAt = -1;
  }

  const name = (i: number) =>
    piece.page.sections[i]!.heading || (piece.page.sections[i]!.id === 'lead' ? 'Introduction' : 'Heading without words');

  // The section in hand is in sight.
  $effect(() => {
    column?.children[piece.page.sectionHere]?.scrollIntoView({ block: 'nearest' });
  });

  // Dragging a segment past the middle of its neighbour swaps the two.
  function grab(event: PointerEvent, at: number) {
    if (event.button !== 0 || piece.page.sections[at]!.id === 'lead') return;
    const startY = event.clientY;
    const move = (e: PointerEvent) => {
      if (!dragged && Math.abs(e.clientY - startY) < 6) return;
      dragged = { at, by: e.clientY - startY };
    };
    const drop = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', drop);
      if (dragged) settle(dragged);
      // The click that ends a drag is not a click.
      setTimeout(() => (dragged = null));
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', drop);
  }

  function settle({ at, by }: { at: number; by: number }) {
    const boxes = [...column!.querySelectorAll('li')].map((li) => li.getBoundingClientRect());
    const middle = boxes[at]!.top + boxes[at]!.height / 2 + by;
    let to = at;
    while (boxes[to + 1] && middle > boxes[to + 1]!.top + boxes[to + 1]!.height / 2) to++;
    while (to > 0 && boxes[to - 1] && piece.page.sections[to - 1]!.id !== 'lead' && middle < boxes[to - 1]!.top + boxes[to - 1]!.height / 2)
      to--;
    const step = to > at ? 1 : -1;
    for (let i = at; i !== to; i += step) piece.page.run(moveSectionAt(i, step));
  }
</script>

<aside aria-label="Spine: the sections of the post">
  {#if piece.page.hasWords}
    <ol bind:this={column}>
      {#each piece.page.sections as section, i (section.id)}
        <li
          class:on={piece.page.sectionHere === i}
          class:thin={isBody(section) && weightOf(section.words, body) !== ''}
          style="flex:{Math.max(section.words, total / 40)}"
        >
          <button
            onclick={() => !dragged && piece.page.goToSection(i)}
            onpointerdown={(e) => grab(e, i)}
            ondragover={(e) => takesPassages(e, i)}
            ondragleave={() => (fedAt = -1)}
            ondrop={(e) => takePassages(e, section.id)}
            class:fed={fedAt === i}
            class:held={dragged?.at === i}
            style={dragged?.at === i ? `translate: 0 ${dragged.by}px` : ''}
            title="{name(i)}: {count(section.words, 'word')}"
            aria-label="Section {i + 1}, {name(i)}, {count(section.words, 'word')}"
          >
            <span class="knot">{i + 1}</span><span class="n">{section.words}</span>
          </button>
        </li>
      {/each}
    </ol>
    <Level words={body} />
  {:else}
    <p>The spine grows as the page does</p>
  {/if}
</aside>

<style>
  aside {
    position: relative;
    min-height: 0;
    background: var(--paper-2);
    border-block: 1px solid var(--leaf-edge);
  }
  ol {
    display: flex;
    flex-direction: column;
    /* Many sections scroll past the level, which stays. */
    height: calc(100% - 52px);
    padding: 16px 0 14px;
    overflow-y: auto;
    scrollbar-width: none;
    mask-image: linear-gradient(to bottom, transparent, #000 10px calc(100% - 14px), transparent);
  }
  li {
    position: relative;
    min-height: 23px;
  }
  li::before {
    content: '';
    position: absolute;
    top: 5px;
    bottom: -5px;
    left: 50%;
    margin-left: -1.5px;
    border-left: 3px solid color-mix(in srgb, var(--bottle) 38%, transparent);
  }
  li:last-child::before {
    bottom: 0;
  }
  li::after {
    content: '';
    position: absolute;
    top: 14px;
    bottom: 8px;
    left: 50%;
    width: 15px;
    margin-left: -7.5px;
    background: repeating-linear-gradient(to bottom, color-mix(in srgb, var(--bottle) 60%, transparent) 0 1.5px, transparent 1.5px 9px);
  }
  button {
    position: absolute;
    inset: 0;
    z-index: 1;
    touch-action: none;
  }
  .fed {
    background: var(--bottle-tint);
    box-shadow: inset 0 0 0 2px var(--bottle);
  }
  .held {
    z-index: 2;
    cursor: grabbing;
  }
  .knot {
    position: absolute;
    top: -6px;
    left: 50%;
    margin-left: -11px;
    display: grid;
    place-items: center;
    width: 22px;
    height: 22px;
    border-radius: 50%;
    background: var(--leaf);
    border: 2px solid var(--bottle);
    color: var(--bottle);
    font-size: 12px;
    font-weight: 650;
  }
  .n {
    position: absolute;
    top: 50%;
    left: calc(50% + 12px);
    transform: translateY(-50%);
    font-size: 11.5px;
    color: var(--faded);
  }
  li:not(.on) button:hover .knot {
    background: var(--bottle-tint);
  }
  .on::before {
    border-left-width: 5px;
    margin-left: -2.5px;
    border-color: var(--bottle);
  }
  .on .knot {
    background: var(--bottle);
    color: var(--leaf);
  }
  .thin .n {
    color: var(--brass);
    font-weight: 600;
  }
  p {
    padding: 24px 6px;
    text-align: center;
    font-size: 13px;
    color: var(--faded);
  }
</style>
