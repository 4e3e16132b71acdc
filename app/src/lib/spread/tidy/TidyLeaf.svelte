<!-- Tidy: what did they mean to say? The same words with repairs proposed in them, to take or to leave. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { showTime } from '@even-page/core/language/times';
  import { EDIT_KINDS, editKey, type EditKind } from '@even-page/core/tidy/edit';
  import Views from '$lib/parts/Views.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { showRepairs, type Segment } from './segments.ts';

  let { piece }: { piece: Piece } = $props();

  const LABELS: Record<EditKind, string> = {
    spacing: 'Spacing',
    sentences: 'Sentences',
    paragraphs: 'Paragraphs',
    fillers: 'Fillers',
    doubled: 'Doubled',
  };
  const EXPLAINS: Record<EditKind | 'all', string> = {
    all: '',
    spacing: 'Extra empty lines, double spaces, characters nobody can see.',
    sentences: 'Line breaks that the captions put into the middle of sentences.',
    paragraphs: 'New paragraphs where the voice, the pause or the thought changes.',
    fillers: 'Um, uh, ah and er.',
    doubled: 'Words and phrases said twice in a row.',
  };

  let kind = $state<EditKind | 'all'>('all');
  let list = $state<HTMLElement>();

  const open = $derived(piece.sources.find((s) => s.id === piece.openSource) ?? piece.sources[0]);
  const proposed = $derived(open?.proposed ?? []);
  const takenKeys = $derived(new Set(open?.edits.map(editKey)));
  const ofKind = $derived(proposed.filter((e) => kind === 'all' || e.kind === kind));
  const left = $derived(ofKind.filter((e) => !takenKeys.has(editKey(e))));
  const taken = $derived(ofKind.filter((e) => takenKeys.has(editKey(e))));
  const views = $derived([
    { name: 'all' as const, label: 'All', count: proposed.length - takenKeys.size },
    ...EDIT_KINDS.filter((k) => proposed.some((e) => e.kind === k)).map((k) => ({
      name: k,
      label: LABELS[k],
      count: proposed.filter((e) => e.kind === k && !takenKeys.has(editKey(e))).length,
    })),
  ]);
  const shown = $derived(open?.proposed ? showRepairs(open.source, proposed, open.edits) : []);
  const highlighted = $derived(piece.shownPassage?.source === open?.id ? piece.shownPassage!.passage : -1);

  $effect(() => {
    if (highlighted < 0) return;
    void tick().then(() => list?.querySelector('.shown')?.scrollIntoView({ block: 'center' }));
  });

  const matches = (s: Segment) => !!s.edit && (kind === 'all' || s.edit.kind === kind);
  const holds = (n: number, next: number | undefined) => highlighted >= n && (next === undefined || highlighted < next);

  function toggle(segment: Segment) {
    if (segment.edit && open) piece.takeEdits(open.id, [segment.edit], !segment.taken);
  }

  // One tab stop for all repairs: the arrows walk from one to the next.
  function walk(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (!step || !list) return;
    const marks = [...list.querySelectorAll<HTMLElement>('.edit.live')];
    if (!marks.length) return;
    event.preventDefault();
    const at = marks.indexOf(document.activeElement as HTMLElement);
    marks[at < 0 ? 0 : Math.max(0, Math.min(marks.length - 1, at + step))]!.focus();
  }

  /** What stands for a stretch of white space when it is the thing repaired. */
  const seen = (text: string) =>
    text
      .replace(/\n+/g, '⏎')
      .replace(/\t/g, '⇥')
      .replace(/^ +$/, (s) => '·'.repeat(s.length));
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
    {#if piece.sources.length > 1}
      <label class="end muted"
        >Source
        <select bind:value={piece.openSource}
          >{#each piece.sources as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select
        >
      </label>
    {/if}
  </div>
  {#if !open.proposed}
    <div class="lines"><p class="muted" role="status">Looking through {count(open.words, 'word')}…</p></div>
  {:else if !proposed.length}
    <div class="lines"><p class="muted">Nothing to tidy: these words are clean as they came.</p></div>
  {:else}
    <div class="kinds">
      <Views {views} bind:open={kind} label="Kinds of repair" />
      <div class="acts">
        {#if taken.length}<button class="quiet" onclick={() => piece.takeEdits(open.id, taken, false)}
            >Put back {taken.length.toLocaleString('en')}</button
          >{/if}
        {#if left.length}<button class="act" onclick={() => piece.takeEdits(open.id, left, true)}
            >Take all {left.length.toLocaleString('en')}</button
          >{/if}
        {#if !left.length && piece.leftToTidy === 0}<button class="act" onclick={() => piece.goTo('shape')}>Go on to Shape</button>{/if}
      </div>
    </div>
    {#if EXPLAINS[kind]}<p class="note">{EXPLAINS[kind]} Click one to take it or to put it back.</p>{/if}
    <!-- Arrows walk the repairs inside. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
      class="scroll"
      role="group"
      tabindex="0"
      aria-label="Words with repairs: arrows walk them, Enter takes one or puts it back"
      bind:this={list}
      onkeydown={walk}
    >
      {#each shown as p, i (p.from)}
        <div
          class="para"
          role="presentation"
          class:shown={holds(p.passage, shown[i + 1]?.passage)}
          onpointerenter={() => piece.light({ source: open.id, passage: p.passage })}
          onpointerleave={() => piece.light(null)}
        >
          <span class="t mono">{p.startMs === undefined ? p.passage + 1 : showTime(p.startMs)}</span>
          <div class="words">
            {#if p.speaker && p.speaker !== shown[i - 1]?.speaker}<b>{p.speaker}</b
              >{' '}{/if}{#each p.segments as s, n (n)}{#if !s.edit}{s.text}{:else if matches(s)}<span
                  class="edit live {s.edit.kind}"
                  class:taken={s.taken}
                  role="button"
                  tabindex="-1"
                  aria-pressed={s.taken}
                  aria-label="{s.edit.reason}: {s.taken ? 'taken' : 'proposed'}"
                  title="{s.edit.reason}. {s.taken ? 'Taken: click to put it back' : 'Click to take it'}"
                  onclick={() => toggle(s)}
                  onkeydown={(e) => {
                    if (e.key !== 'Enter' && e.key !== ' ') return;
                    e.preventDefault();
                    toggle(s);
                  }}
                  >{#if s.taken}<span class="gone"></span>{:else}<span class="gone"
                      >{s.edit.before.trim() ? s.edit.before.replace(/\s+/g, ' ') : seen(s.edit.before)}</span
                    >{/if}{#if s.edit.after.trim()}{#if s.edit.after.startsWith(' ')}{' '}{/if}<span class="put">{s.edit.after.trim()}</span
                    >{:else if s.edit.after}{' '}{/if}{#if s.edit.after === '\n\n'}<span class="para-mark">¶</span>{/if}</span
                >{:else}<span class="edit">{s.taken ? s.edit.after.replace(/\s+/g, ' ') : s.edit.before}</span>{/if}{/each}
          </div>
        </div>
      {/each}
    </div>
  {/if}
{/if}

<style>
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
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
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
  .live {
    cursor: pointer;
    border-radius: 2px;
  }
  .live:hover {
    background: var(--brass-tint);
  }
  .gone {
    color: var(--faded);
    text-decoration: line-through;
    text-decoration-color: var(--rust);
    text-decoration-thickness: 1.5px;
  }
  .put,
  .para-mark {
    color: var(--bottle);
    background: var(--bottle-tint);
    border-radius: 2px;
    padding: 0 1px;
    font-weight: 600;
  }
  .taken:not(.sentences, .paragraphs) .gone {
    border-left: 2px solid color-mix(in srgb, var(--bottle) 60%, transparent);
  }
  .taken .put {
    background: none;
    font-weight: inherit;
    color: inherit;
    border-bottom: 1px solid var(--bottle);
  }
  .taken .para-mark {
    background: none;
    opacity: 0.6;
  }
  :is(.sentences, .paragraphs) .gone {
    font-size: 12px;
    text-decoration: none;
    color: var(--bottle);
    opacity: 0.7;
  }
</style>
