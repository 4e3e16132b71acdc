<!-- Tidy: what did they mean to say? The same words with repairs proposed in them, to take or to leave. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { type Edit, EDIT_KINDS, editKey, type EditKind, isMark, repairKind, takenMark } from '@even-page/core/tidy';
  import Views from '$lib/parts/Views.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import FindReplace from './FindReplace.svelte';
  import NameCard from './NameCard.svelte';
  import RepairList from './RepairList.svelte';
  import { selectedStretch } from './selected.ts';
  import { showRepairs, type Over } from './segments.ts';

  let { piece }: { piece: Piece } = $props();

  let kind = $state<EditKind | 'all'>('all');
  let list = $state<HTMLElement>();
  let finding = $state(false);
  let asWritten = $state(false);
  let hits = $state.raw<Over[]>([]);
  let hit = $state(0);
  let named = $state.raw<Edit | null>(null);

  const open = $derived(piece.material.open);
  const proposed = $derived(open?.proposed ?? []);
  const takenKeys = $derived(new Set(open?.edits.map(editKey)));
  // What the writer replaced is no proposal, and is counted with them all the same.
  const all = $derived([...proposed, ...(open?.edits.filter((e) => e.kind === 'replaced') ?? [])]);
  const isTaken = (e: Edit) => takenKeys.has(editKey(e));
  const ofKind = $derived(all.filter((e) => (kind === 'all' ? !isMark(e) : e.kind === kind)));
  const left = $derived(ofKind.filter((e) => !isTaken(e)));
  const taken = $derived(ofKind.filter(isTaken));
  const views = $derived([
    { name: 'all' as const, label: 'All', count: all.filter((e) => !isMark(e) && !isTaken(e)).length },
    ...EDIT_KINDS.filter((k) => !repairKind(k).isElsewhere && all.some((e) => e.kind === k)).map((k) => ({
      name: k,
      label: repairKind(k).label,
      count: all.filter((e) => e.kind === k && (k === 'replaced' || !isTaken(e))).length,
    })),
  ]);
  const shown = $derived(open?.proposed ? showRepairs(open.source, proposed, open.edits, finding ? hits : []) : []);

  // A kind that is gone, after a search was put back, is not looked at any more.
  $effect(() => {
    if (!views.some((v) => v.name === kind)) kind = 'all';
  });

  $effect(() => {
    void hits;
    const wanted = hit;
    if (finding) void tick().then(() => list?.querySelector(`[data-hit="${wanted}"]`)?.scrollIntoView({ block: 'center' }));
  });

  const matches = (e: Edit) => kind === 'all' || e.kind === kind;

  /** Takes repairs, or puts them back; a mark that is taken stands as it is. */
  function change(edits: readonly Edit[], take: boolean) {
    if (open) piece.changeEdits(open.id, take ? edits.map((e) => (isMark(e) ? takenMark(e) : e)) : [], take ? [] : edits);
  }

  function toggle(edit: Edit) {
    if (edit.kind === 'names' && !isTaken(edit)) named = edit;
    // A full stop and the capital after it are one thing.
    else change(edit.group && edit.kind === 'sentences' ? all.filter((e) => e.group === edit.group) : [edit], !isTaken(edit));
  }
</script>

{#if !open}
  <div class="bar"><h2>Tidy</h2></div>
  <div class="lines">
    <p class="muted">Nothing to tidy yet. <button class="word" onclick={() => piece.goTo('gather')}>Bring in material</button> first.</p>
  </div>
{:else}
  <div class="bar">
    <h2>{open.name}</h2>
    <span class="muted">{count(open.words, 'word')}</span>
    <div class="end acts">
      {#if piece.material.sources.length > 1}
        <label class="muted"
          >Source
          <select bind:value={piece.material.openSource}
            >{#each piece.material.sources as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select
          >
        </label>
      {/if}
      <span class="switch" role="radiogroup" aria-label="Words">
        <button role="radio" aria-checked={!asWritten} onclick={() => (asWritten = false)}>as said</button><button
          role="radio"
          aria-checked={asWritten}
          onclick={() => (asWritten = true)}>as written</button
        >
      </span>
      {#if !asWritten}<button class="word" aria-expanded={finding} onclick={() => (finding = !finding)}>Find</button>{/if}
    </div>
  </div>
  {#if finding && !asWritten}<FindReplace
      {piece}
      source={open}
      bind:hits
      bind:at={hit}
      selected={() => selectedStretch(list)}
      onclose={() => (finding = false)}
    />{/if}
  {#if !open.proposed}
    <div class="lines"><p class="muted" role="status">Looking through {count(open.words, 'word')}…</p></div>
  {:else if asWritten}
    {#await import('./Wording.svelte') then { default: Wording }}<Wording {piece} source={open} />{:catch}
      <p class="note">This could not be fetched from the server. The words are safe; try again when the server answers.</p>
    {/await}
  {:else}
    {#if all.length}
      <div class="kinds">
        <Views {views} bind:open={kind} label="Kinds of repair" />
        <div class="acts">
          {#if taken.length}<button class="quiet" onclick={() => change(taken, false)}>Put back {figure(taken.length)}</button>{/if}
          {#if left.length}<button class="act" onclick={() => change(left, true)}
              >{(kind !== 'all' && repairKind(kind).takeAll) || `Take all ${figure(left.length)}`}</button
            >{/if}
          {#if !left.length && piece.material.leftToTidy === 0}<button class="act" onclick={() => piece.goTo('shape')}
              >Go on to Shape</button
            >{/if}
        </div>
      </div>
      {#if kind !== 'all'}<p class="note">
          {repairKind(kind).explains}
          {#if kind === 'names'}<a href="/house">House style</a>{/if}
        </p>{/if}
    {:else}
      <p class="note">Nothing to tidy: these words are clean as they came.</p>
    {/if}
    <RepairList {piece} source={open} {shown} {hit} {matches} {isTaken} {toggle} bind:list />
    {#if named}<NameCard
        edit={named}
        places={all.filter((e) => e.group === named!.group && !isTaken(e))}
        onmend={(edits) => {
          change(edits, true);
          named = null;
        }}
        onclose={() => (named = null)}
      />{/if}
  {/if}
{/if}

<style>
  .switch {
    display: inline-flex;
    border: 1px solid var(--hair);
    border-radius: 3px;
    overflow: hidden;
  }
  .switch button {
    padding: 3px 10px;
    font-size: 14px;
    color: var(--faded);
  }
  .switch button[aria-checked='true'] {
    background: var(--bottle-tint);
    color: var(--bottle);
    font-weight: 600;
  }
  select {
    margin-left: 6px;
    padding: 2px 28px 2px 8px;
    border: 1px solid var(--hair);
    border-radius: 3px;
    background-color: var(--leaf);
    color: var(--ink);
    font-size: 14px;
  }
  .kinds {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: end;
    gap: 8px 16px;
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  .acts {
    display: flex;
    gap: 8px;
    margin-left: auto;
  }
  .note {
    padding-block: 8px 0;
  }
</style>
