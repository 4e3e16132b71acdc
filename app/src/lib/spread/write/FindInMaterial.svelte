<!-- What the material says of the words selected on the page; one click ties a passage to their paragraph. -->
<script lang="ts">
  import { closeHistory } from 'prosemirror-history';
  import { showTime } from '@even-page/core/language/times';
  import type { Origin } from '@even-page/core/post/schema';
  import type { FoundSentence } from '@even-page/core/write';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let found = $state.raw<FoundSentence[] | null>(null);
  let words = $state('');

  const selected = $derived.by(() => {
    void piece.page.caretTick;
    const state = piece.page.view?.state;
    return state && !state.selection.empty ? state.doc.textBetween(state.selection.from, state.selection.to, ' ').trim() : '';
  });

  async function find() {
    words = selected;
    found = await core().findInMaterial(piece.material.tidied, words);
  }

  /** Ties the paragraph of the selection to what was found. */
  function tie({ source, first, last, startMs }: FoundSentence) {
    const view = piece.page.view;
    if (!view) return;
    const { $from: place } = view.state.selection;
    const { origins } = place.parent.attrs as { origins?: Origin[] };
    if (!origins || place.depth === 0) return;
    const origin: Origin = { source, first, last, ...(startMs === undefined ? {} : { startMs }) };
    const rest = origins.filter((o) => o.source !== source || o.last < first || o.first > last);
    view.dispatch(closeHistory(view.state.tr.setNodeAttribute(place.before(), 'origins', [...rest, origin])));
    view.focus();
  }
</script>

<div class="ask">
  <!-- Pressing must not take the selection away from the page. -->
  <button class="quiet" disabled={!selected} onmousedown={(e) => e.preventDefault()} onclick={() => void find()}
    >Find in the material</button
  >
  <span class="muted small"
    >{selected
      ? `“${selected.length > 60 ? `${selected.slice(0, 60)}…` : selected}”`
      : 'Select words on the page to find who said them.'}</span
  >
</div>
{#if found}
  <div class="found" role="region" aria-label="Found in the material">
    {#each found as s (`${s.source}:${s.from}`)}
      <div class="hit">
        <button class="psg" onclick={() => piece.showOrigin([s])}>
          <span class="mono">{s.startMs === undefined ? `¶ ${s.first + 1}` : showTime(s.startMs)}</span><span>{s.text}</span>
        </button>
        <button class="word small" onmousedown={(e) => e.preventDefault()} onclick={() => tie(s)}>Tie</button>
      </div>
    {:else}
      <p class="note">Nothing in the material says “{words}”.</p>
    {/each}
    <p class="note"><button class="word" onclick={() => (found = null)}>Done</button></p>
  </div>
{/if}

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
  }
  .found {
    border-bottom: 1px solid var(--hair);
    background: color-mix(in srgb, var(--paper) 40%, var(--leaf));
  }
  .hit {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: baseline;
    padding-right: 20px;
  }
  .psg {
    display: grid;
    grid-template-columns: 44px minmax(0, 1fr);
    gap: 10px;
    padding: 6px 12px 6px 20px;
    text-align: left;
    font: 15px/1.5 var(--serif);
  }
  .psg:hover {
    color: var(--bottle);
  }
  .mono {
    padding-top: 4px;
    color: var(--slate);
  }
</style>
