<!-- Proof: is it right, whole, findable? What the checks found, and the figures of the page. -->
<script lang="ts">
  import { CHECKS, type Finding } from '@even-page/core/proof';
  import Gravity from '$lib/parts/Gravity.svelte';
  import Views from '$lib/parts/Views.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import GradeChart from './GradeChart.svelte';

  let { piece }: { piece: Piece } = $props();

  let view = $state<'findings' | 'figures'>('findings');
  let opened = $state<Finding | null>(null);
  const fine = $derived(CHECKS.length - new Set(piece.proofing.findings.map((f) => f.check)).size);
  const round = (n: number | null | undefined) => (n == null ? '–' : n.toFixed(n < 20 ? 1 : 0));

  function go(finding: Finding) {
    opened = finding;
    const { place } = finding;
    if (!place) return;
    if ('block' in place) return piece.page.goToBlock(place.block, place.from, place.to);
    if (place.detail === 'title' || place.detail === 'standfirst') {
      document.querySelector<HTMLElement>(`textarea[aria-label="${place.detail === 'title' ? 'Title' : 'Standfirst'}"]`)?.focus();
    } else {
      piece.goTo('send');
      setTimeout(() => document.getElementById(`detail-${place.detail}`)?.focus());
    }
  }

  const where = (f: Finding) => {
    if (!f.place) return '';
    if ('detail' in f.place) return 'fix';
    return 'show';
  };
</script>

<div class="bar">
  <Views
    views={[
      { name: 'findings', label: 'Findings', count: piece.proofing.findings.length },
      { name: 'figures', label: 'Figures' },
    ]}
    bind:open={view}
    label="Views of the proof"
  />
  <span class="end muted small">checked as you write</span>
</div>
<div class="scroll">
  {#if piece.proofing.figures?.words}
    <GradeChart grades={piece.proofing.figures.grades} onchoose={(block) => piece.page.goToBlock(block)} />
    <p class="note summary">
      Grade by paragraph. Reading ease {round(piece.proofing.figures.ease)}, grade {round(piece.proofing.figures.grade)}; {count(
        piece.proofing.figures.words,
        'word',
      )}, {round(piece.proofing.figures.words / Math.max(1, piece.proofing.figures.sentences))} to a sentence.
    </p>
  {/if}
  {#if view === 'findings'}
    {#each piece.proofing.findings as f, i (i)}
      {#if f.place}
        <button class="item" class:on={opened === f} onclick={() => go(f)}>
          <Gravity gravity={f.gravity} /><span
            ><b>{f.says}</b>
            <span class="says">{f.hint}</span></span
          ><span class="go">{where(f)}</span>
        </button>
      {:else}
        <div class="item">
          <Gravity gravity={f.gravity} /><span
            ><b>{f.says}</b>
            <span class="says">{f.hint}</span></span
          ><span></span>
        </div>
      {/if}
    {/each}
    <div class="item">
      <Gravity gravity="fine" /><span
        ><b>{fine} of {count(CHECKS.length, 'check')} {fine === 1 ? 'is' : 'are'} fine</b>
        <span class="says">
          {CHECKS.filter((c) => !piece.proofing.findings.some((f) => f.check === c.name))
            .map((c) => c.name)
            .join(', ')}
        </span></span
      ><span></span>
    </div>
  {:else if piece.proofing.figures}
    <dl>
      <dt>Words</dt>
      <dd>{figure(piece.proofing.figures.words)}</dd>
      <dt>Minutes to read</dt>
      <dd>{piece.proofing.figures.minutes}</dd>
      <dt>Sentences</dt>
      <dd>{figure(piece.proofing.figures.sentences)}</dd>
      <dt>Reading ease</dt>
      <dd>{round(piece.proofing.figures.ease)} <span class="muted">Flesch: about 60 to 70 is plain English</span></dd>
      <dt>Grade</dt>
      <dd>{round(piece.proofing.figures.grade)} <span class="muted">Flesch-Kincaid: 8 suits a general audience</span></dd>
      <dt>Sections</dt>
      <dd>{piece.page.sections.length}</dd>
      <dt>Pictures</dt>
      <dd>{piece.proofing.figures.pictures}</dd>
    </dl>
  {/if}
</div>

<style>
  .summary {
    padding-top: 4px;
    border-bottom: 1px solid var(--hair);
  }
  dl {
    display: grid;
    grid-template-columns: 140px 1fr;
    gap: 8px 16px;
    padding: 14px 20px;
  }
  dt {
    color: var(--faded);
  }
  dd {
    margin: 0;
  }
</style>
