<!-- Proof: is it right, whole, findable? What the checks found, and the figures of the page. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { type Finding, gradeFor, KINDS, type Kind } from '@even-page/core/proof';
  import Gravity from '$lib/parts/Gravity.svelte';
  import Views from '$lib/parts/Views.svelte';
  import { sayTime, sayWhen } from '$lib/parts/moments.ts';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { takeReportAlong } from '../send/take-along.ts';
  import BarChart from './BarChart.svelte';
  import ComfortWatch from './ComfortWatch.svelte';
  import FiguresTab from './FiguresTab.svelte';
  import WhatCounts from './WhatCounts.svelte';
  import OneFinding from './OneFinding.svelte';
  import YardstickTab from './YardstickTab.svelte';
  import { YardstickInHand } from './yardstick-in-hand.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let view = $state<'findings' | 'figures' | 'yardstick'>('findings');
  const yardstick = untrack(() => new YardstickInHand(piece));
  let kind = $state<Kind | ''>('');
  let opened = $state('');
  let list = $state<HTMLElement>();

  const { proofing } = $derived(piece);
  const kinds = $derived(
    (Object.keys(KINDS) as Kind[]).flatMap((name) => {
      const n = proofing.findings.filter((f) => f.kind === name).length;
      return n ? [{ name, says: `${KINDS[name]}, ${n}` }] : [];
    }),
  );
  const shown = $derived(proofing.findings.filter((f) => !kind || f.kind === kind || !kinds.some((k) => k.name === kind)));
  const found = $derived([...proofing.findings, ...proofing.left]);
  const fine = $derived(proofing.checked.filter((name) => !found.some((f) => f.check === name)));
  const summary = $derived(
    `${proofing.findings.length ? '' : '0 findings: '}${found.length ? `${fine.length} of` : 'all'} ${count(proofing.checked.length, 'check')} found nothing`,
  );
  const grades = $derived(proofing.figures?.grades ?? []);
  const aim = $derived(piece.details.brief?.grade ?? gradeFor(piece.details.brief ?? {}));
  const round = (n: number | null | undefined) => (n == null ? '–' : n.toFixed(n < 20 ? 1 : 0));

  let sorry = $state('');
  const tryLinks = async (again = false) => (sorry = await proofing.tryLinks(again));
  onMount(() => {
    void proofing.learnOthers(piece.id);
    void yardstick.load();
    void proofing.readClosely();
    return () => proofing.rest();
  });
  $effect(() => {
    void proofing.addresses;
    untrack(() => void tryLinks());
  });

  const readAt = (pages: readonly { readAt: string | Date }[]) =>
    new Date(Math.max(...pages.map((page) => new Date(page.readAt).getTime())));

  const report = () =>
    takeReportAlong({
      title: piece.details.title,
      findings: proofing.findings,
      left: proofing.left.map((f) => ({ ...f, reason: piece.details.left?.find(({ key }) => key === f.key)?.why ?? '' })),
      figures: proofing.figures!,
    });

  /** Lights the place of a finding, and leaves the keyboard where it is. */
  function show({ place }: Finding) {
    if (place && 'block' in place) piece.page.goToBlock(place.block, place.from, place.to);
  }

  // The next finding by key: the keyboard goes to it, so that Tab leads on to what can be done.
  function onkeydown(event: KeyboardEvent) {
    if (event.code !== 'KeyN' || !event.altKey || event.ctrlKey || event.metaKey || view !== 'findings' || !shown.length) return;
    event.preventDefault();
    const at = shown.findIndex((f) => f.key === opened);
    const next = shown[(at + (event.shiftKey ? Math.max(0, at) - at - 1 + shown.length : 1)) % shown.length]!;
    opened = next.key;
    show(next);
    requestAnimationFrame(() => list?.querySelector<HTMLElement>('.item.on')?.focus());
  }
</script>

<svelte:window {onkeydown} />
<ComfortWatch {piece} />

<div class="bar">
  <Views
    views={[
      { name: 'findings', label: 'Findings', count: proofing.findings.length },
      { name: 'figures', label: 'Figures' },
      { name: 'yardstick', label: 'Yardstick' },
    ]}
    bind:open={view}
    label="Views of the proof"
  />
  {#if view === 'findings' && kinds.length > 1}
    <select class="entry end" aria-label="Kind of finding" bind:value={kind}>
      <option value="">all kinds</option>
      {#each kinds as { name, says } (name)}<option value={name}>{says}</option>{/each}
    </select>
  {:else if view === 'yardstick' && yardstick.kept?.pages.length}
    <a class="end muted small" href="/yardsticks/{yardstick.kept.id}"
      >{yardstick.taken.length} of {count(yardstick.kept.pages.length, 'page')}, read {sayWhen(readAt(yardstick.kept.pages))}</a
    >
  {/if}
</div>
<div class="scroll" bind:this={list}>
  {#if proofing.figures?.words && view === 'findings'}
    <BarChart
      bars={grades.map(({ grade }) => ({ value: grade, isOver: grade > aim + 2 }))}
      {aim}
      aimSays="grade {aim}, the aim"
      highest={20}
      label="Reading grade of {count(grades.length, 'paragraph')}; {grades.filter(({ grade }) => grade > aim + 2)
        .length} read well above grade {aim}"
      onchoose={(n) => piece.page.goToBlock(grades[n]!.block)}
    />
    <p class="note summary">
      Grade by paragraph. Reading ease {round(proofing.figures.levels?.ease)}, grade {round(proofing.figures.levels?.kincaid)}; {count(
        proofing.figures.words,
        'word',
      )}, {round(proofing.figures.words / Math.max(1, proofing.figures.sentences))} to a sentence.
    </p>
  {/if}
  {#if view === 'findings'}
    {#each shown as finding (finding.key)}
      <OneFinding
        {piece}
        {finding}
        isOpen={opened === finding.key}
        onopen={() => {
          opened = finding.key;
          show(finding);
        }}
      />
    {/each}
    {#if proofing.left.length}
      <details>
        <summary>{count(proofing.left.length, 'finding')} left as {proofing.left.length === 1 ? 'it is' : 'they are'}</summary>
        {#each proofing.left as finding (finding.key)}
          <OneFinding {piece} {finding} isLeft isOpen={false} onopen={() => show(finding)} />
        {/each}
      </details>
    {/if}
    {#if proofing.checked.length}
      <details open={!proofing.findings.length}>
        <summary><Gravity gravity="fine" /> {summary}</summary>
        <p class="note">{fine.join(', ')}</p>
      </details>
      {#if proofing.unread.length}
        <p class="note" role="status">
          {#if proofing.isReadingStopped}
            Grammar could not be read: {count(proofing.unread.length, 'passage')} to go.
            <button class="word" onclick={() => void proofing.readClosely()}>Go on</button>
          {:else}
            Reading for grammar: {count(proofing.unread.length, 'passage')} to go.
          {/if}
        </p>
      {/if}
      {#if proofing.addresses.length}
        <p class="note" role="status">
          {#if proofing.isTryingLinks}
            Trying {count(proofing.addresses.length, 'link')} …
          {:else if sorry}
            The links could not be tried. {sorry} <button class="word" onclick={() => void tryLinks(true)}>Try them now</button>
          {:else if proofing.linksTriedAt}
            {count(proofing.addresses.length, 'link')} tried {sayTime(proofing.linksTriedAt)}.
            <button class="word" onclick={() => void tryLinks(true)}>Try them again</button>
          {/if}
        </p>
      {/if}
      {#if proofing.speakingOfThis.length}
        <details>
          <summary>{count(proofing.speakingOfThis.length, 'post')} of yours could lead here</summary>
          {#each proofing.speakingOfThis as { id, title, words } (id)}
            <p class="note"><a href="/pieces/{id}">{title}</a> speaks of “{words}”</p>
          {/each}
        </details>
      {/if}
      <WhatCounts {piece} />
      <p class="note">
        <button class="word" onclick={report}>Take a report along</button> for whoever approves the post; it can be printed.
      </p>
    {/if}
  {:else if view === 'yardstick'}
    <YardstickTab {piece} {yardstick} />
  {:else if proofing.figures}
    <FiguresTab {piece} figures={proofing.figures} {aim} inMaterial={proofing.inMaterial} />
  {/if}
</div>

<style>
  details {
    border-bottom: 1px solid var(--hair);
  }
  summary {
    padding: 11px 20px;
    color: var(--faded);
    cursor: pointer;
  }
  summary :global(.fine) {
    margin: 0 6px 0 0;
    vertical-align: -2px;
  }
  select {
    max-width: 200px;
  }
  .summary {
    padding-top: 4px;
    border-bottom: 1px solid var(--hair);
  }
</style>
