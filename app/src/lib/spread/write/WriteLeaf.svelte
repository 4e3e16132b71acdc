<!-- Write: does it read? What was said for the section under the caret, beside what is written. -->
<script lang="ts">
  import { isTimed } from '@even-page/core/gather';
  import { showTime } from '@even-page/core/language/times';
  import type { Origin } from '@even-page/core/post/schema';
  import { proseOf } from '@even-page/core/tidy';
  import { count } from '$lib/parts/sizes.ts';
  import Views from '$lib/parts/Views.svelte';
  import type { Piece } from '../piece.svelte.ts';
  import FindInMaterial from './FindInMaterial.svelte';
  import LooseTies from './LooseTies.svelte';
  import Versions from './Versions.svelte';

  let { piece }: { piece: Piece } = $props();

  const VIEWS = [
    { name: 'said', label: 'The material' },
    { name: 'brief', label: 'Brief' },
    { name: 'rounds', label: 'Rounds' },
    { name: 'versions', label: 'Versions' },
  ] as const;
  const view = $derived(piece.writeView);
  const { figures } = $derived(piece.proofing);
  // What drafts is fetched when it is first looked at.
  const drafts = () => Promise.all([piece.drafting(), import('./draft/BriefTab.svelte'), import('./draft/RoundsTab.svelte')]);

  const section = $derived(piece.page.sections[piece.page.sectionHere] ?? piece.page.sections[0]);
  const name = $derived(section?.heading || 'Introduction');

  // The tidied sentences of each source, with their passages: what the section is held against.
  const prose = $derived(new Map(piece.material.sources.map((s) => [s.id, proseOf(s.source, s.edits).flatMap((p) => p.sentences)])));
  const said = $derived.by(() => {
    void piece.page.tick;
    if (!section) return [];
    const origins: Origin[] = [];
    piece.page.doc.nodesBetween(section.from, Math.min(section.to, piece.page.doc.content.size), (node) => {
      origins.push(...((node.attrs.origins ?? []) as Origin[]));
      return !node.isTextblock;
    });
    // A passage that feeds two paragraphs is shown once.
    const each = new Map(origins.map((o) => [`${o.source}:${o.first}:${o.last}`, o]));
    return [...each.values()].map((o) => ({
      ...o,
      text: (prose.get(o.source) ?? [])
        .filter((s) => s.first >= o.first && s.last <= o.last)
        .map((s) => s.text)
        .join(' '),
    }));
  });
  const timed = $derived(piece.material.sources.some((s) => isTimed(s.source)));
</script>

<div class="bar">
  <Views views={VIEWS} bind:open={piece.writeView} label="Beside the page" />
</div>
{#if view === 'brief' || view === 'rounds'}
  {#await drafts()}
    <p class="note" role="status">Opening…</p>
  {:then [drafting, { default: BriefTab }, { default: RoundsTab }]}
    {#if view === 'brief'}<BriefTab {piece} {drafting} ondraft={() => (piece.writeView = 'rounds')} />{:else}<RoundsTab
        {piece}
        {drafting}
      />{/if}
  {:catch}
    <p class="note" role="alert">This part could not be fetched: the server does not answer. Try again in a moment.</p>
  {/await}
{:else if view === 'versions'}
  <div class="scroll"><Versions {piece} /></div>
{:else}
  <div class="bar">
    <h2>{section ? name : 'Write'}</h2>
    {#if section}<span class="muted">{count(section.words, 'word')}</span>{/if}
    <span class="end muted"
      >{figures ? `${count(figures.words, 'word')} in all, ${count(figures.minutes, 'minute')} to read` : 'counting'}</span
    >
  </div>
  <div class="scroll">
    {#if piece.material.sources.length}<FindInMaterial {piece} />{/if}
    <LooseTies {piece} />
    {#if said.length}
      <p class="note">{timed ? 'What was said' : 'What the material says'} for this section. It follows the caret on the page.</p>
      {#each said as s, i (i)}
        <button
          class="psg"
          onclick={() => piece.showOrigin([s])}
          onpointerenter={() => piece.page.light({ source: s.source, passage: s.first })}
          onpointerleave={() => piece.page.light(null)}
        >
          <span class="mono">{s.startMs === undefined ? `¶ ${s.first + 1}` : showTime(s.startMs)}</span>
          <span>{s.text || '(these words were left out in Tidy)'}</span>
        </button>
      {/each}
    {:else}
      <p class="note">
        {piece.material.sources.length
          ? 'This section is your own: no passage of the material feeds it.'
          : 'There is no material: every word here is your own.'}
      </p>
      <div class="lines muted">
        <p>
          The page takes Markdown as you type it: ## for a heading, - or 1. for a list, &gt; for a quotation, **bold**, *italic*. Paste
          keeps headings, lists and links, and leaves the junk behind.
        </p>
      </div>
    {/if}
  </div>
{/if}

<style>
  .psg {
    display: grid;
    grid-template-columns: 50px minmax(0, 1fr);
    gap: 12px;
    width: 100%;
    padding: 8px 20px;
    text-align: left;
    font: 16px/1.62 var(--serif);
  }
  .psg:hover {
    background: var(--slate-tint);
  }
  .mono {
    padding-top: 5px;
    color: var(--slate);
    text-align: right;
  }
</style>
