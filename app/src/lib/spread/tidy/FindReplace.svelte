<!-- Find and replace in the words of a source as they read with the repairs taken. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { applyEdits, type Edit } from '@even-page/core/tidy/edit';
  import { replaceMatch, type Match, type Query } from '@even-page/core/tidy/find';
  import { flowOf } from '@even-page/core/tidy/flow';
  import { finder } from '$lib/workers/finder.ts';
  import type { Piece, SourceInHand } from '../piece.svelte.ts';
  import type { Over } from './segments.ts';

  let {
    piece,
    source,
    hits = $bindable(),
    at = $bindable(),
    selected,
    onclose,
  }: {
    piece: Piece;
    source: SourceInHand;
    hits: Over[];
    at: number;
    /** The stretch of the source's flow that is selected on the leaf, if one is. */
    selected: () => { from: number; to: number } | null;
    onclose: () => void;
  } = $props();

  let find = $state('');
  let replacement = $state('');
  let wholeWord = $state(false);
  let matchCase = $state(false);
  let isPattern = $state(false);
  let matches = $state.raw<Match[]>([]);
  let sorry = $state('');
  let said = $state('');
  let field: HTMLInputElement;

  const query = $derived<Query>({ find, wholeWord, matchCase, isPattern });
  const edits = $derived(source.edits.filter((e) => e.before !== e.after));
  const tidied = $derived(applyEdits(flowOf(source.source), edits));

  $effect(() => field.focus());

  let turn = 0;
  $effect(() => {
    const mine = ++turn;
    const [wanted, text, instead] = [query, tidied.text, replacement];
    void finder(text, wanted, instead).then((found) => {
      if (mine !== turn) return;
      matches = typeof found === 'string' ? [] : found;
      sorry = typeof found === 'string' ? found : '';
      untrack(() => (at = Math.min(at, Math.max(0, matches.length - 1))));
    });
  });

  $effect(() => {
    hits = matches.map((match, hit) => {
      const { take } = replaceMatch(tidied, edits, match);
      return { from: take.from, to: take.to, hit };
    });
  });

  function replace(chosen: readonly Match[]) {
    const take: Edit[] = [];
    const drop: Edit[] = [];
    for (const match of chosen) {
      const change = replaceMatch(tidied, edits, match);
      // Two matches inside one repair cannot both be made of it at once.
      if (take.some((e) => e.from < change.take.to && change.take.from < e.to)) continue;
      take.push(change.take);
      drop.push(...change.drop);
    }
    if (!take.length) return;
    piece.changeEdits(source.id, take, drop);
    said = `${take.length.toLocaleString('en')} replaced.`;
  }

  function inSelection() {
    const range = selected();
    const inside = range ? matches.filter((_, i) => hits[i]!.from >= range.from && hits[i]!.to <= range.to) : [];
    if (inside.length) replace(inside);
    else said = 'Nothing that fits stands in the words you selected.';
  }

  const go = (by: number) => {
    if (matches.length) at = (at + by + matches.length) % matches.length;
  };
</script>

<!-- Escape closes it from any of its fields. -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<form
  class="find"
  aria-label="Find and replace"
  onsubmit={(e) => {
    e.preventDefault();
    go(1);
  }}
  onkeydown={(e) => e.key === 'Escape' && onclose()}
>
  <div class="row">
    <input
      bind:this={field}
      type="text"
      bind:value={find}
      aria-label="Find"
      placeholder="Find"
      spellcheck="false"
      oninput={() => (said = '')}
    />
    <span class="muted" role="status"
      >{sorry ? '' : find ? `${matches.length ? `${at + 1} of ${matches.length.toLocaleString('en')}` : 'no place'}` : ''}</span
    >
    <button type="button" class="word" disabled={!matches.length} onclick={() => go(-1)}>Before</button>
    <button class="word" disabled={!matches.length}>Next</button>
    <button type="button" class="word end" onclick={onclose}>Close</button>
  </div>
  <div class="row">
    <input type="text" bind:value={replacement} aria-label="Replace with" placeholder="Replace with" spellcheck="false" />
    <button type="button" class="quiet" disabled={!matches.length} onclick={() => replace(matches.slice(at, at + 1))}>This one</button>
    <button type="button" class="quiet" disabled={!matches.length} onclick={() => replace(matches)}>All</button>
    <button type="button" class="quiet" disabled={!matches.length} onmousedown={(e) => e.preventDefault()} onclick={inSelection}
      >In selection</button
    >
  </div>
  <div class="row small">
    <label><input type="checkbox" bind:checked={wholeWord} /> Whole words</label>
    <label><input type="checkbox" bind:checked={matchCase} /> Match case</label>
    <label><input type="checkbox" bind:checked={isPattern} /> Regular expression</label>
    {#if said}<span class="muted" role="status">{said}</span>{/if}
  </div>
  {#if sorry}<p class="wrong" role="alert">{sorry}</p>{/if}
</form>

<style>
  .find {
    display: grid;
    gap: 8px;
    padding: 10px 20px;
    background: var(--paper-2);
    border-bottom: 1px solid var(--hair);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
  }
  input[type='text'] {
    flex: 1;
    min-width: 160px;
    padding: 5px 10px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background: var(--leaf);
    color: var(--ink);
    font: 15px/1.4 var(--serif);
  }
  .small {
    font-size: 14px;
  }
  label {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 24px;
  }
  label input {
    accent-color: var(--bottle);
  }
  .end {
    margin-left: auto;
  }
  button:disabled {
    opacity: 0.5;
  }
  .wrong {
    color: var(--rust);
    font-size: 14px;
  }
</style>
