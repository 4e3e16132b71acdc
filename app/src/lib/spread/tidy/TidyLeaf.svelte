<!-- Tidy: what did they mean to say? The same words with repairs proposed in them, to take or to leave. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { showTime } from '@even-page/core/language/times';
  import { EDIT_KINDS, editKey, isMark, takenMark, type Edit, type EditKind } from '@even-page/core/tidy/edit';
  import { flowOf, passageAt } from '@even-page/core/tidy/flow';
  import Views from '$lib/parts/Views.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { lettersBefore } from '../player/pointed.ts';
  import FindReplace from './FindReplace.svelte';
  import NameCard from './NameCard.svelte';
  import { seen } from './seen.ts';
  import { selectedStretch } from './selected.ts';
  import { showRepairs, type Over, type Segment } from './segments.ts';

  let { piece }: { piece: Piece } = $props();

  const LABELS: Record<EditKind, string> = {
    spacing: 'Spacing',
    junk: 'Office junk',
    sentences: 'Sentences',
    paragraphs: 'Paragraphs',
    fillers: 'Fillers',
    doubled: 'Doubled',
    names: 'Names',
    replaced: 'Replaced',
    suspect: 'Listen again',
    wording: 'Wording',
    asides: 'Asides',
  };
  const CLICK = 'Click one to take it or to put it back.';
  const EXPLAINS: Record<EditKind | 'all', string> = {
    all: '',
    spacing: `Extra empty lines, double spaces, characters nobody can see. ${CLICK}`,
    junk: `Uneven quotes, odd capitals in addresses, numbers that do not count on. ${CLICK}`,
    sentences: `Full stops, question marks, commas and capitals that nobody put in, and line breaks in mid-sentence. ${CLICK}`,
    paragraphs: `New paragraphs where the voice, the pause or the thought changes. ${CLICK}`,
    fillers: `Um, uh, ah and er, and padding that carries nothing. ${CLICK}`,
    doubled: `Words and phrases said twice, and starts that were cut off. ${CLICK}`,
    names: 'Names heard wrong, by sound and spelling, from House style and the title. Click one to mend all its places.',
    replaced: `What you replaced yourself. ${CLICK}`,
    suspect: 'Passages that look wrong: listen to them, then click to say that they are fine. Nothing is taken out.',
    wording: '',
    asides: 'Greetings, sign-offs, talk about the talk. They stay out of sections; click one to take it in.',
  };

  let kind = $state<EditKind | 'all'>('all');
  let list = $state<HTMLElement>();
  let finding = $state(false);
  let asWritten = $state(false);
  let hits = $state.raw<Over[]>([]);
  let hit = $state(0);
  let named = $state.raw<Edit | null>(null);

  const open = $derived(piece.sources.find((s) => s.id === piece.openSource) ?? piece.sources[0]);
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
    ...EDIT_KINDS.filter((k) => k !== 'wording' && all.some((e) => e.kind === k)).map((k) => ({
      name: k,
      label: LABELS[k],
      count: all.filter((e) => e.kind === k && (k === 'replaced' || !isTaken(e))).length,
    })),
  ]);
  const shown = $derived(open?.proposed ? showRepairs(open.source, proposed, open.edits, finding ? hits : []) : []);
  const highlighted = $derived(open && piece.shownPassage?.source === open.id ? piece.shownPassage.passage : -1);

  // A kind that is gone, after a search was put back, is not looked at any more.
  $effect(() => {
    if (!views.some((v) => v.name === kind)) kind = 'all';
  });

  $effect(() => {
    if (highlighted < 0) return;
    void tick().then(() => list?.querySelector('.shown')?.scrollIntoView({ block: 'center' }));
  });

  $effect(() => {
    void hits;
    const wanted = hit;
    if (finding) void tick().then(() => list?.querySelector(`[data-hit="${wanted}"]`)?.scrollIntoView({ block: 'center' }));
  });

  const matches = (e: Edit) => kind === 'all' || e.kind === kind;
  const holds = (passage: number, n: number, next: number | undefined) => passage >= n && (next === undefined || passage < next);
  const spoken = $derived(piece.player.source?.id === open?.id ? piece.player.passage : -1);
  const starts = $derived(open && open.recording ? flowOf(open.source).starts : []);

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
  const markOf = (s: Segment) => s.over.find((o) => o.mark && matches(o.mark))?.mark;
  const hitOf = (s: Segment) => s.over.find((o) => o.hit !== undefined)?.hit;

  /** Takes repairs, or puts them back; a mark that is taken stands as it is. */
  function change(edits: readonly Edit[], take: boolean) {
    if (open) piece.changeEdits(open.id, take ? edits.map((e) => (isMark(e) ? takenMark(e) : e)) : [], take ? [] : edits);
  }

  function toggle(edit: Edit) {
    if (edit.kind === 'names' && !isTaken(edit)) named = edit;
    // A full stop and the capital after it are one thing.
    else change(edit.group && edit.kind === 'sentences' ? all.filter((e) => e.group === edit.group) : [edit], !isTaken(edit));
  }

  // Alt and a click on a word plays the recording from there.
  function playFrom(event: MouseEvent) {
    if (!event.altKey || !open?.recording) return;
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

  const onEnter = (edit: Edit) => (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    toggle(edit);
  };

  const hint = (edit: Edit) =>
    edit.kind === 'asides'
      ? isTaken(edit)
        ? 'Taken in: click to leave it out'
        : 'Left out of sections: click to take it in'
      : edit.kind === 'suspect'
        ? isTaken(edit)
          ? 'You heard it and it is fine'
          : 'Listen to it, then click if it is fine'
        : isTaken(edit)
          ? 'Taken: click to put it back'
          : 'Click to take it';
</script>

{#snippet words(s: Segment)}
  {#if !s.edit}<span data-at={s.from}>{s.text}</span>{:else if matches(s.edit)}<span
      class="edit live {s.edit.kind}"
      class:taken={s.taken}
      role="button"
      tabindex="-1"
      aria-pressed={s.taken}
      aria-label="{s.edit.reason}: {s.taken ? 'taken' : 'proposed'}"
      title="{s.edit.reason}. {hint(s.edit)}"
      onclick={() => toggle(s.edit)}
      onkeydown={onEnter(s.edit)}
      >{#if s.taken}<span class="gone"></span>{:else if s.edit.before}<span class="gone"
          >{s.edit.before.trim() ? s.edit.before.replace(/\s+/g, ' ') : seen(s.edit.before)}</span
        >{/if}{#if s.edit.after.trim()}{#if s.edit.after.startsWith(' ')}{' '}{/if}<span class="put">{s.edit.after.trim()}</span
        >{:else if s.edit.after}{' '}{/if}{#if s.edit.after === '\n\n'}<span class="para-mark">¶</span>{/if}</span
    >{:else}<span class="edit">{s.taken ? s.edit.after.replace(/\s+/g, ' ') : s.edit.before}</span>{/if}
{/snippet}

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
      {#if piece.sources.length > 1}
        <label class="muted"
          >Source
          <select bind:value={piece.openSource}
            >{#each piece.sources as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select
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
              >{kind === 'asides' ? 'Take in all' : kind === 'suspect' ? 'All fine' : `Take all ${figure(left.length)}`}</button
            >{/if}
          {#if !left.length && piece.leftToTidy === 0}<button class="act" onclick={() => piece.goTo('shape')}>Go on to Shape</button>{/if}
        </div>
      </div>
      {#if EXPLAINS[kind]}<p class="note">
          {EXPLAINS[kind]}
          {#if kind === 'names'}<a href="/house">House style</a>{/if}
        </p>{/if}
    {:else}
      <p class="note">Nothing to tidy: these words are clean as they came.</p>
    {/if}
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
          onpointerenter={() => piece.light({ source: open.id, passage: p.passage })}
          onpointerleave={() => piece.light(null)}
        >
          <span class="t mono"
            >{p.startMs !== undefined ? showTime(p.startMs) : p.passage !== shown[i - 1]?.passage ? p.passage + 1 : ''}</span
          >
          <div class="words" data-from={p.from}>
            {#if p.speaker && p.speaker !== shown[i - 1]?.speaker}<b>{p.speaker}</b>{' '}{/if}{#each p.segments as s, n (n)}{@const mark =
                markOf(s)}{@const found = hitOf(s)}{#if mark && !s.edit}<span
                  class="over live {mark.kind}"
                  class:taken={isTaken(mark)}
                  class:hit={found !== undefined}
                  data-hit={found}
                  role="button"
                  tabindex="-1"
                  aria-pressed={isTaken(mark)}
                  aria-label="{mark.reason}: {s.text}"
                  title="{mark.reason}. {hint(mark)}"
                  onclick={() => toggle(mark)}
                  onkeydown={onEnter(mark)}><span data-at={s.from}>{s.text}</span></span
                >{:else if found !== undefined}<span class="hit" class:here={found === hit} data-hit={found}>{@render words(s)}</span
                >{:else}{@render words(s)}{/if}{/each}
          </div>
        </div>
      {/each}
    </div>
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
  .para.now {
    background: var(--bottle-tint);
  }
  :global(::highlight(spoken)) {
    text-decoration: underline 3px var(--bottle);
  }
  .over {
    cursor: pointer;
    border-radius: 2px;
  }
  .over.suspect {
    text-decoration: underline dotted var(--brass) 2px;
    text-underline-offset: 4px;
    background: var(--brass-tint);
  }
  .over.suspect.taken {
    background: none;
  }
  .over.asides:not(.taken) {
    color: var(--faded);
    font-style: italic;
    text-decoration: line-through;
    text-decoration-color: var(--faded);
    text-decoration-thickness: 1px;
  }
  .over.asides.taken {
    border-bottom: 1px dotted var(--faded);
  }
  .over:hover {
    background: var(--brass-tint);
  }
  .hit {
    background: var(--slate-tint);
    box-shadow: 0 0 0 1px var(--slate);
    border-radius: 2px;
  }
  .hit.here {
    background: var(--brass-tint);
    box-shadow: 0 0 0 2px var(--brass);
  }
</style>
