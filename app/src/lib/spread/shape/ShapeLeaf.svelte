<!-- Shape: what goes where, and is it balanced? Sections proposed from the material, then the outline of the page. -->
<script lang="ts">
  import Refresh from '@lucide/svelte/icons/refresh-cw';
  import { Slider } from '@skeletonlabs/skeleton-svelte';
  import { showTime } from '@even-page/core/language/times';
  import { withIds } from '@even-page/core/post/ids';
  import { type ProposedSection, wishedSections, writeSections } from '@even-page/core/shape';
  import { newBlockId } from '$lib/block-id.ts';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Length from './Length.svelte';
  import Offers from './Offers.svelte';
  import OutlineAlong from './OutlineAlong.svelte';
  import OutlineTree from './OutlineTree.svelte';
  import Passages from './Passages.svelte';
  import StandingParts from './StandingParts.svelte';

  let { piece }: { piece: Piece } = $props();

  const words = $derived(piece.material.sources.reduce((sum, s) => sum + s.words, 0));
  const most = $derived(Math.max(3, Math.min(30, Math.round(words / 120))));
  let wanted = $state(0);
  let proposal = $state.raw<ProposedSection[] | null>(null);
  let asked = 0;
  let bringing = $state(false);

  const wishing = $derived(wanted || Math.min(most, wishedSections(words)));
  const longest = $derived(Math.max(1, ...(proposal ?? []).map((s) => s.words)));

  // A page with nothing on it is shown its sections as soon as the asides are known; a written one only when asked.
  $effect(() => {
    if (!piece.page.hasWords && words && !proposal && piece.material.leftToTidy !== null) void propose();
  });

  async function propose(sections: number | 'natural' | undefined = wanted || undefined) {
    const turn = ++asked;
    const found = await core().sections(piece.material.tidied, sections, piece.material.house);
    // A later question has overtaken this answer.
    if (turn !== asked) return;
    proposal = found;
    if (typeof sections !== 'number') wanted = found.length;
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
    piece.page.replacePage(withIds(writeSections(proposal, piece.material.house.voices), newBlockId));
    proposal = null;
  }
</script>

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
    <span class="muted">{count(piece.page.sections.length, 'section')}</span>
  {/if}
</div>

<div class="scroll">
  {#if bringing}
    {#await import('./BringIn.svelte') then { default: BringIn }}<BringIn {piece} bind:open={bringing} />{:catch}
      <p class="note">This could not be fetched from the server. The page is safe; try again when the server answers.</p>
    {/await}
  {/if}
  {#if proposal}
    <div class="say">
      <p>
        Proposed from {count(words, 'word')}, cut where the subject changes{proposal.length > 2
          ? ': an introduction first, a close last'
          : ''}. <button class="word" onclick={() => void propose('natural')}>As many as it has subjects</button>.
        {#if piece.material.leftToTidy}{count(piece.material.leftToTidy, 'repair')} in
          <button class="word" onclick={() => piece.goTo('tidy')}>Tidy</button>
          {piece.material.leftToTidy === 1 ? 'is' : 'are'} not taken yet.{/if}
      </p>
      <div>
        <button class="act" onclick={write}>{piece.page.hasWords ? 'Replace the page' : 'Write onto the page'}</button>
        {#if piece.page.hasWords}<button class="quiet" onclick={() => (proposal = null)}>Keep the page</button>
        {:else}<button class="quiet" onclick={() => (bringing = true)}>Begin with an outline of yours</button>{/if}
      </div>
      {#if piece.page.hasWords}<p class="small muted">What stands on the page now goes; undo (Ctrl Z) brings it back.</p>{/if}
    </div>
    <ol aria-label="Proposed sections">
      {#each proposal as s, i (i)}
        <li class="node">
          <span class="number">{i + 1}</span>
          <span class="name"
            ><b class:role={s.role === 'introduction' || !s.heading}>{s.heading || 'Close'}</b>{#if s.startMs !== undefined}<span
                class="mono slate">{showTime(s.startMs)}</span
              >{/if}</span
          >
          <span class="aim" aria-hidden="true"><i style="width:{(100 * s.words) / longest}%"></i></span><span class="mono n">{s.words}</span
          >
          {#if s.headings.length > 1}<button
              class="turn"
              title="Another heading: {s.headings.indexOf(s.heading) + 1} of {s.headings.length}"
              aria-label="Another heading for “{s.heading || 'Close'}”"
              onclick={() => another(s)}><Refresh size={15} /></button
            >{:else}<span class="turn"></span>{/if}
        </li>
      {/each}
    </ol>
  {:else if piece.page.hasWords}
    <OutlineTree {piece} />
    <div class="outline-acts">
      <button class="word" onclick={() => (bringing = true)}>Bring in an outline or a draft</button>
      <OutlineAlong {piece} />
    </div>
    <Length {piece} />
    <StandingParts {piece} />
    <Offers {piece} />
    {#if words}
      <p class="note">
        To cut the material anew, move the slider or <button class="word" onclick={() => void propose()}>see a proposal</button>. The page
        stays as it is until you take it.
      </p>
      <Passages {piece} />
    {/if}
  {:else if words}
    <p class="note" role="status">Looking for the subjects in {count(words, 'word')}…</p>
  {:else}
    <p class="note">
      Sections come from the headings on the page, or are found in the material.
      <button class="word" onclick={() => piece.goTo('gather')}>Bring in material</button>,
      <button class="word" onclick={() => (bringing = true)}>an outline or a draft</button>, or type ## and a heading on the page.
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
  .outline-acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
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
  .name {
    display: flex;
    align-items: baseline;
    gap: 10px;
    min-width: 0;
    line-height: 1.35;
    text-align: left;
    overflow-wrap: anywhere;
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
  .n {
    color: var(--faded);
    white-space: nowrap;
  }
  .turn {
    color: var(--faded);
  }
  .turn {
    display: grid;
    place-items: center;
    width: 24px;
    height: 28px;
    border-radius: 3px;
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
