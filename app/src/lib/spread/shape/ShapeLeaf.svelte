<!-- Shape: what goes where, and is it balanced? Sections proposed from the material, then the outline of the page. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Refresh from '@lucide/svelte/icons/refresh-cw';
  import { Slider } from '@skeletonlabs/skeleton-svelte';
  import { showTime } from '@even-page/core/language/times';
  import { withIds } from '@even-page/core/post/ids';
  import { outlineOf } from '@even-page/core/post/sections';
  import { isThin } from '@even-page/core/shape/evenness';
  import { writeSections, type ProposedSection } from '@even-page/core/shape/outline';
  import { wishedSections } from '@even-page/core/shape/cut/cutting';
  import { newBlockId } from '$lib/block-id.ts';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import { moveSectionAt } from '../page/commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import StandingParts from './StandingParts.svelte';
  import Unused from './Unused.svelte';

  let { piece }: { piece: Piece } = $props();

  const words = $derived(piece.sources.reduce((sum, s) => sum + s.words, 0));
  const most = $derived(Math.max(3, Math.min(30, Math.round(words / 120))));
  let wanted = $state(0);
  let proposal = $state.raw<ProposedSection[] | null>(null);
  let asked = 0;

  const wishing = $derived(wanted || Math.min(most, wishedSections(words)));
  const outline = $derived.by(() => {
    void piece.pageTick;
    return outlineOf(piece.doc);
  });
  const sectionWords = $derived(piece.sections.map((s) => s.words));
  const longest = $derived(Math.max(1, ...(proposal ?? outline).map((s) => s.words)));

  // A page with nothing on it is shown its sections as soon as the asides are known; a written one only when asked.
  $effect(() => {
    if (!piece.hasWords && words && !proposal && piece.leftToTidy !== null) void propose();
  });

  async function propose(sections: number | 'natural' = wishing) {
    const turn = ++asked;
    const material = piece.sources.map(({ id, source, edits, proposed }) => ({ id, source, edits, proposed: proposed ?? [] }));
    const found = await core().sections(material, sections);
    // A later question has overtaken this answer.
    if (turn !== asked) return;
    proposal = found;
    if (sections === 'natural') wanted = found.length;
  }

  // The next of its headings that no other section has.
  function another(section: ProposedSection) {
    const others = new Set(proposal!.filter((s) => s !== section).map((s) => s.heading));
    const from = section.headings.indexOf(section.heading);
    const turned = section.headings.map((_, i, all) => all[(from + 1 + i) % all.length]!);
    const heading = turned.find((h) => !others.has(h)) ?? section.heading;
    proposal = proposal!.map((s) => (s === section ? { ...s, heading } : s));
  }

  function write() {
    if (!proposal) return;
    piece.replacePage(withIds(writeSections(proposal), newBlockId));
    proposal = null;
  }

  const numberOf = (id: string) => piece.sections.findIndex((s) => s.id === id);
</script>

{#snippet bar(value: number, thin: boolean)}
  <span class="aim" aria-hidden="true"><i class:thin style="width:{(100 * value) / longest}%"></i></span>
{/snippet}

<div class="bar">
  <h2>Sections</h2>
  {#if words}
    <Slider
      class="sections"
      min={1}
      max={most}
      value={[wishing]}
      onValueChange={(e) => (wanted = e.value[0]!)}
      onValueChangeEnd={() => void propose()}
      aria-label={['How many sections']}
    >
      <Slider.Control class="sections-control">
        <Slider.Track class="sections-track"><Slider.Range class="sections-range" /></Slider.Track>
        <Slider.Thumb index={0} class="sections-thumb"><Slider.HiddenInput /></Slider.Thumb>
      </Slider.Control>
    </Slider>
    <span class="muted small">{wishing} of 1 to {most}</span>
  {:else}
    <span class="muted">{count(piece.sections.length, 'section')}</span>
  {/if}
</div>

<div class="scroll">
  {#if proposal}
    <div class="say">
      <p>
        Proposed from {count(words, 'word')}, cut where the subject changes{proposal.length > 2
          ? ': an introduction first, a close last'
          : ''}. <button class="word" onclick={() => void propose('natural')}>As many as it has subjects</button>.
        {#if piece.leftToTidy}{count(piece.leftToTidy, 'repair')} in <button class="word" onclick={() => piece.goTo('tidy')}>Tidy</button>
          {piece.leftToTidy === 1 ? 'is' : 'are'} not taken yet.{/if}
      </p>
      <div>
        <button class="act" onclick={write}>{piece.hasWords ? 'Replace the page' : 'Write onto the page'}</button>
        {#if piece.hasWords}<button class="quiet" onclick={() => (proposal = null)}>Keep the page</button>{/if}
      </div>
      {#if piece.hasWords}<p class="small muted">What stands on the page now goes; undo (Ctrl Z) brings it back.</p>{/if}
    </div>
    <ol aria-label="Proposed sections">
      {#each proposal as s, i (i)}
        <li class="node">
          <span class="k">{i + 1}</span>
          <span class="name"
            ><b class:role={s.role === 'introduction'}>{s.heading}</b>{#if s.startMs !== undefined}<span class="mono slate"
                >{showTime(s.startMs)}</span
              >{/if}</span
          >
          {@render bar(s.words, false)}<span class="mono n">{s.words}</span>
          {#if s.headings.length > 1}<button
              class="turn"
              title="Another heading: {s.headings.indexOf(s.heading) + 1} of {s.headings.length}"
              aria-label="Another heading for “{s.heading}”"
              onclick={() => another(s)}><Refresh size={15} /></button
            >{:else}<span class="turn"></span>{/if}
        </li>
      {/each}
    </ol>
  {:else if piece.hasWords}
    <ol aria-label="Outline of the page">
      {#each outline as s (s.id)}
        {@const n = numberOf(s.id)}
        {@const here = n >= 0 && n === piece.sectionHere}
        <li class="node" class:sub={n < 0} class:here>
          {#if n >= 0}<span class="k">{n + 1}</span>{:else}<span></span>{/if}
          <button class="name" onclick={() => (n >= 0 ? piece.goToSection(n) : piece.goToBlock(s.id))}>
            <b class:role={!s.heading}>{s.heading || (s.id === 'lead' ? 'Introduction' : 'Heading without words')}</b>
          </button>
          {#if n >= 0}
            {@const thin = isThin(piece.sections[n]!.words, sectionWords)}
            {@render bar(piece.sections[n]!.words, thin)}<span class="mono n" class:thin
              >{piece.sections[n]!.words}{thin ? ' thin' : ''}</span
            >
            <span class="moves">
              <button
                title="Move up"
                aria-label="Move “{s.heading}” up"
                disabled={n === 0 || piece.sections[n - 1]!.id === 'lead' || s.id === 'lead'}
                onclick={() => piece.run(moveSectionAt(n, -1))}><ArrowUp size={15} /></button
              >
              <button
                title="Move down"
                aria-label="Move “{s.heading}” down"
                disabled={n === piece.sections.length - 1 || s.id === 'lead'}
                onclick={() => piece.run(moveSectionAt(n, 1))}><ArrowDown size={15} /></button
              >
            </span>
          {:else}
            {@render bar(s.words, false)}<span class="mono n">{s.words}</span><span class="moves"></span>
          {/if}
        </li>
      {/each}
    </ol>
    <StandingParts {piece} />
    {#if words}
      <p class="note">
        To cut the material anew, move the slider or <button class="word" onclick={() => void propose()}>see a proposal</button>. The page
        stays as it is until you take it.
      </p>
      <Unused {piece} />
    {/if}
  {:else if words}
    <p class="note" role="status">Looking for the subjects in {count(words, 'word')}…</p>
  {:else}
    <p class="note">
      Sections come from the headings on the page, or are found in the material.
      <button class="word" onclick={() => piece.goTo('gather')}>Bring in material</button>, or type ## and a heading on the page.
    </p>
  {/if}
</div>

<style>
  .say {
    display: grid;
    gap: 10px;
    padding: 12px 20px;
    border-bottom: 1px solid var(--hair);
    color: var(--faded);
  }
  .say div {
    display: flex;
    gap: 8px;
  }
  ol {
    padding: 6px 20px 10px;
    border-bottom: 1px solid var(--hair);
  }
  .node {
    display: grid;
    grid-template-columns: 24px minmax(0, 1fr) 90px 60px auto;
    align-items: center;
    gap: 8px;
    min-height: 36px;
    padding: 3px 0;
  }
  .sub {
    color: var(--faded);
  }
  .sub b {
    font-weight: 450;
  }
  .k {
    display: grid;
    place-items: center;
    width: 22px;
    height: 22px;
    border: 2px solid var(--bottle);
    border-radius: 50%;
    background: var(--leaf);
    color: var(--bottle);
    font-size: 12px;
    font-weight: 650;
  }
  .here .k {
    background: var(--bottle);
    color: var(--leaf);
  }
  .name {
    display: flex;
    align-items: baseline;
    gap: 10px;
    min-width: 0;
    line-height: 1.35;
    text-align: left;
    overflow-wrap: anywhere;
  }
  button.name:hover b {
    color: var(--bottle);
  }
  .role {
    font-weight: 450;
    font-style: italic;
    color: var(--faded);
  }
  .slate {
    color: var(--slate);
  }
  .aim {
    height: 5px;
    border-radius: 3px;
    background: var(--hair);
    overflow: hidden;
  }
  .aim i {
    display: block;
    height: 100%;
    border-radius: 3px;
    background: var(--bottle);
  }
  .aim i.thin {
    background: var(--brass);
  }
  .n {
    color: var(--faded);
    white-space: nowrap;
  }
  .n.thin {
    color: var(--brass);
    font-weight: 600;
  }
  .moves {
    display: flex;
    min-width: 48px;
    color: var(--faded);
  }
  .turn {
    color: var(--faded);
  }
  .turn,
  .moves button {
    display: grid;
    place-items: center;
    width: 24px;
    height: 28px;
    border-radius: 3px;
  }
  .moves button:hover:not(:disabled) {
    background: var(--bottle-tint);
    color: var(--ink);
  }
  .moves button:disabled {
    opacity: 0.3;
  }
  @media (max-width: 600px) {
    .node {
      grid-template-columns: 24px minmax(0, 1fr) auto auto;
    }
    .aim {
      display: none;
    }
  }
  :global(.sections) {
    flex: 1;
    min-width: 90px;
    padding: 0 6px;
  }
  :global(.sections-control) {
    display: flex;
    align-items: center;
    height: 24px;
  }
  :global(.sections-track) {
    flex: 1;
    height: 3px;
    background: var(--hair);
  }
  :global(.sections-range) {
    height: 100%;
    background: var(--bottle);
  }
  :global(.sections-thumb) {
    width: 17px;
    height: 17px;
    border-radius: 50%;
    border: 2px solid var(--leaf);
    background: var(--bottle);
    box-shadow: none;
    outline: none;
    cursor: grab;
  }
  :global(.sections-thumb:focus-visible) {
    outline: 2px solid var(--bottle);
  }
</style>
