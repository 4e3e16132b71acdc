<!-- Find and replace: what is looked for, the places found, and what to put there. -->
<script lang="ts">
  import { figure } from './sizes.ts';
  import { untrack } from 'svelte';
  import type { FoundWords, Query } from '@even-page/core/tidy';
  import { finder } from '$lib/workers/finder.ts';

  let {
    text,
    matches = $bindable(),
    at = $bindable(),
    onreplace,
    selected,
    onclose,
  }: {
    /** The words that are looked through. */
    text: string;
    matches: readonly FoundWords[];
    /** Which of the matches is the one in hand. */
    at: number;
    /** Puts the replacement of matches into the words; how many it could. */
    onreplace: (chosen: readonly FoundWords[]) => number;
    /** The matches that lie in the words selected. */
    selected: () => readonly FoundWords[];
    onclose: () => void;
  } = $props();

  let find = $state('');
  let replacement = $state('');
  let wholeWord = $state(false);
  let matchCase = $state(false);
  let isPattern = $state(false);
  let sorry = $state('');
  let said = $state('');
  let field: HTMLInputElement;

  const query = $derived<Query>({ find, wholeWord, matchCase, isPattern });

  $effect(() => field.focus());

  let turn = 0;
  $effect(() => {
    const mine = ++turn;
    void finder(text, query, replacement).then((found) => {
      if (mine !== turn) return;
      matches = typeof found === 'string' ? [] : found;
      sorry = typeof found === 'string' ? found : '';
      untrack(() => (at = Math.min(at, Math.max(0, matches.length - 1))));
    });
  });

  function replace(chosen: readonly FoundWords[]) {
    if (chosen.length) said = `${figure(onreplace(chosen))} replaced.`;
    else said = 'Nothing that fits stands in the words you selected.';
    // The button may have nothing more to do: the keys stay with the bar.
    field.focus();
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
      class="entry"
      type="text"
      bind:value={find}
      aria-label="Find"
      placeholder="Find"
      spellcheck="false"
      oninput={() => (said = '')}
    />
    <span class="muted" role="status"
      >{sorry ? '' : find ? `${matches.length ? `${at + 1} of ${figure(matches.length)}` : 'no place'}` : ''}</span
    >
    <button type="button" class="word" disabled={!matches.length} onclick={() => go(-1)}>Before</button>
    <button class="word" disabled={!matches.length}>Next</button>
    <button type="button" class="word end" onclick={onclose}>Close</button>
  </div>
  <div class="row">
    <input class="entry" type="text" bind:value={replacement} aria-label="Replace with" placeholder="Replace with" spellcheck="false" />
    <button type="button" class="quiet" disabled={!matches.length} onclick={() => replace(matches.slice(at, at + 1))}>This one</button>
    <button type="button" class="quiet" disabled={!matches.length} onclick={() => replace(matches)}>All</button>
    <button
      type="button"
      class="quiet"
      disabled={!matches.length}
      onmousedown={(e) => e.preventDefault()}
      onclick={() => replace(selected())}>In selection</button
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
