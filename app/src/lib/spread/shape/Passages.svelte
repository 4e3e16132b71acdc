<!-- The material in stretches: used, not used yet, or left out. Chosen ones are dragged to a section, or sent there by its number. -->
<script lang="ts" module>
  import { type SourceProse, type Stretch, stretchesOf } from '@even-page/core/shape';
  const keyOf = ({ source, sentences }: Stretch) => `${source}:${sentences[0]!.from}`;
</script>

<script lang="ts">
  import { showTime } from '@even-page/core/language/times';
  import { asidesOut, type Edit, editKey, flowOf, leftOut, passageAt, takenMark } from '@even-page/core/tidy';
  import { SvelteSet } from 'svelte/reactivity';
  import { count } from '$lib/parts/sizes.ts';
  import Views from '$lib/parts/Views.svelte';
  import { core } from '$lib/workers/core.ts';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { PASSAGES } from './feeding.ts';

  let { piece }: { piece: Piece } = $props();

  const SHOWN_AT_FIRST = 80;
  let material = $state.raw<SourceProse[]>([]);
  let view = $state<'unused' | 'used' | 'out'>('unused');
  let most = $state(SHOWN_AT_FIRST);
  let list = $state<HTMLElement>();
  const chosen = new SvelteSet<string>();

  $effect(() => {
    const asked = piece.material.tidied;
    void core()
      .material(asked)
      .then((found) => {
        if (asked === piece.material.tidied) material = found;
      });
  });

  const all = $derived(stretchesOf(material, piece.page.fed));
  const unused = $derived(all.filter((s) => !s.feeds.length));
  const used = $derived(all.filter((s) => s.feeds.length));
  const out = $derived(
    piece.material.sources.flatMap((source) => {
      const flow = flowOf(source.source);
      const timeOf = ({ from }: Edit) => source.source.passages[passageAt(flow, from)]?.startMs;
      return asidesOut(source.edits, source.proposed ?? []).map((edit) => ({ source, edit, startMs: timeOf(edit) }));
    }),
  );
  const shown = $derived(view === 'used' ? used : unused);
  const views = $derived([
    { name: 'unused' as const, label: 'Not used yet', count: unused.length },
    { name: 'used' as const, label: 'Used', count: used.length },
    { name: 'out' as const, label: 'Left out', count: out.length },
  ]);
  const words = $derived(shown.reduce((sum, s) => sum + s.words, 0));
  const minutes = $derived(Math.round(words / 150));
  const picked = $derived(all.filter((s) => chosen.has(keyOf(s))));

  const numberOf = (id: string) => piece.page.sections.findIndex((s) => s.id === id) + 1;

  /** Lets what is chosen feed a section. */
  function feed(section: string): void {
    piece.page.feed(section, picked);
    chosen.clear();
  }

  function leaveOut() {
    for (const source of piece.material.sources) {
      const flow = flowOf(source.source);
      const edits = picked.filter((s) => s.source === source.id).map((s) => leftOut(flow, s.sentences[0]!.from, s.sentences.at(-1)!.to));
      if (edits.length) piece.changeEdits(source.id, edits, []);
    }
    chosen.clear();
  }

  /** A proposal is taken in as a mark; what the writer left out is simply not left out any more. */
  const takeIn = (source: SourceInHand, edit: Edit) =>
    source.edits.some((e) => editKey(e) === editKey(edit))
      ? piece.changeEdits(source.id, [], [edit])
      : piece.changeEdits(source.id, [takenMark(edit)], []);

  function toggle(stretch: Stretch, event: MouseEvent | KeyboardEvent) {
    const key = keyOf(stretch);
    const last = [...chosen].at(-1);
    if (event.shiftKey && last) {
      const [a, b] = [shown.findIndex((s) => keyOf(s) === last), shown.indexOf(stretch)].sort((x, y) => x - y);
      for (const s of shown.slice(Math.max(0, a!), b! + 1)) chosen.add(keyOf(s));
    } else if (chosen.has(key)) chosen.delete(key);
    else chosen.add(key);
  }

  function dropped(event: DragEvent) {
    piece.page.carried = [];
    if (event.dataTransfer!.dropEffect !== 'none') chosen.clear();
  }

  let digits = '';
  let timer: ReturnType<typeof setTimeout> | undefined;

  function keys(event: KeyboardEvent, stretch: Stretch, i: number) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const row = (n: number) => list?.querySelectorAll<HTMLElement>('[role=option]')[n]?.focus();
    if (event.key === ' ' || event.key === 'Enter') toggle(stretch, event);
    else if (event.key === 'ArrowDown') row(i + 1);
    else if (event.key === 'ArrowUp') row(i - 1);
    else if (event.key === 'Delete') {
      if (!picked.length) chosen.add(keyOf(stretch));
      leaveOut();
    } else if (/^\d$/.test(event.key)) {
      if (!picked.length) chosen.add(keyOf(stretch));
      digits += event.key;
      clearTimeout(timer);
      // A second figure may follow where there are ten sections or more.
      const send = () => {
        const section = piece.page.sections[Number(digits) - 1];
        digits = '';
        if (section) feed(section.id);
        row(i);
      };
      if (piece.page.sections.length < Number(digits) * 10) send();
      else timer = setTimeout(send, 500);
    } else return;
    event.preventDefault();
  }

  function drag(event: DragEvent, stretch: Stretch) {
    if (!chosen.has(keyOf(stretch))) {
      chosen.clear();
      chosen.add(keyOf(stretch));
    }
    piece.page.carried = picked;
    event.dataTransfer!.effectAllowed = 'copy';
    event.dataTransfer!.setData(PASSAGES, '');
    event.dataTransfer!.setData('text/plain', picked.map((s) => s.text).join('\n\n'));
  }
</script>

<div class="bar head">
  <h2>Passages</h2>
  <Views {views} bind:open={view} label="Which passages" />
</div>
{#if view === 'out'}
  {#each out as { source, edit, startMs } (source.id + editKey(edit))}
    <div class="psg">
      <span class="mono">{startMs === undefined ? '' : showTime(startMs)}</span>
      <span class="gone">{edit.before.replace(/\s+/g, ' ')} <small>{edit.reason}</small></span>
      <button class="word small" onclick={() => takeIn(source, edit)}>Take in</button>
    </div>
  {:else}<p class="note">Nothing is left out.</p>{/each}
{:else if !shown.length}
  <p class="note">
    {view === 'unused'
      ? material.length
        ? 'Every passage is used or left out.'
        : 'No material yet.'
      : 'No paragraph comes from the material yet.'}
  </p>
{:else}
  <p class="hint">
    {#if picked.length}
      <span><b>{count(picked.length, 'passage')} chosen</b>: drag to a section in the outline or on the spine, or press its number.</span>
      <span class="numbers">
        {#each piece.page.sections as s, i (s.id)}
          <button class="chip" title={s.heading || 'Introduction'} onclick={() => feed(s.id)}>{i + 1}</button>
        {/each}
      </span>
      <button class="word" onclick={leaveOut}>Leave out</button>
      <button class="word" onclick={() => chosen.clear()}>Choose none</button>
    {:else}
      {count(words, 'word')}, about {count(Math.max(1, minutes), 'minute')} of speech. Choose passages, then drag them to a section or press its
      number.
    {/if}
  </p>
  <div role="listbox" aria-multiselectable="true" aria-label={view === 'used' ? 'Passages used' : 'Passages not used yet'} bind:this={list}>
    {#each shown.slice(0, most) as s, i (keyOf(s))}
      {@const isChosen = chosen.has(keyOf(s))}
      <div
        class="psg row"
        class:chosen={isChosen}
        role="option"
        aria-selected={isChosen}
        tabindex="0"
        draggable="true"
        onclick={(e) => toggle(s, e)}
        onkeydown={(e) => keys(e, s, i)}
        ondragstart={(e) => drag(e, s)}
        ondragend={dropped}
      >
        <span class="mono">{s.sentences[0]!.startMs === undefined ? s.sentences[0]!.first + 1 : showTime(s.sentences[0]!.startMs)}</span>
        <span>{s.text}</span>
        <span class="mono feeds"
          >{#if s.feeds.length}<span class="sr">feeds section </span>{s.feeds
              .map(numberOf)
              .filter(Boolean)
              .join(', ')}{:else}{s.words}{/if}</span
        >
      </div>
    {/each}
  </div>
  {#if shown.length > most}<p class="note">
      <button class="word" onclick={() => (most += 4 * SHOWN_AT_FIRST)}>Show more</button>
      <span class="muted">{count(shown.length - most, 'more passage')}</span>
    </p>{/if}
{/if}

<style>
  .head {
    border-bottom-style: dotted;
  }
  .hint {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--leaf);
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 10px;
    margin: 0;
    padding: 8px 20px 4px;
    font-size: 14px;
    color: var(--faded);
  }
  .numbers {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 4px;
  }
  .psg {
    display: grid;
    grid-template-columns: 44px minmax(0, 1fr) auto;
    gap: 10px;
    padding: 7px 20px;
    font: 15px/1.5 var(--serif);
  }
  .row {
    cursor: grab;
  }
  .row:hover {
    background: color-mix(in srgb, var(--bottle-tint) 50%, transparent);
  }
  .row:focus-visible {
    outline-offset: -2px;
  }
  .chosen {
    background: var(--bottle-tint);
    box-shadow: inset 3px 0 0 var(--bottle);
  }
  .mono {
    padding-top: 4px;
    color: var(--slate);
  }
  .feeds {
    color: var(--faded);
  }
  .gone {
    color: var(--faded);
  }
  small {
    font: 13px var(--sans);
  }
</style>
