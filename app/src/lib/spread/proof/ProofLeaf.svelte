<!-- Proof: is it right, whole, findable? What the checks found, and the figures of the page. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { GRADE_AIM } from '@even-page/core/language/grade';
  import { type Finding, KINDS, type Kind } from '@even-page/core/proof';
  import Gravity from '$lib/parts/Gravity.svelte';
  import Views from '$lib/parts/Views.svelte';
  import { sayTime, sayWhen } from '$lib/parts/moments.ts';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import { takeReportAlong } from '../send/take-along.ts';
  import GradeChart from './GradeChart.svelte';
  import OneFinding from './OneFinding.svelte';
  import YardstickTab from './YardstickTab.svelte';
  import { YardstickInHand } from './yardstick-in-hand.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const LEVELS = [
    { name: 'ease', label: 'Reading ease', says: 'Flesch: about 60 to 70 is plain English' },
    { name: 'kincaid', label: 'Grade', says: 'Flesch-Kincaid: 8 suits a general audience' },
    { name: 'fog', label: 'Fog', says: 'Gunning: long sentences and hard words' },
    { name: 'smog', label: 'SMOG', says: 'McLaughlin: words of three syllables and more' },
    { name: 'colemanLiau', label: 'Coleman-Liau', says: 'by letters instead of syllables' },
    { name: 'ari', label: 'Automated', says: 'Senter and Smith: by letters and sentences' },
    { name: 'daleChall', label: 'Dale-Chall', says: 'by words not everybody knows; below 6 is easy' },
  ] as const;

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
  const fine = $derived(proofing.checked.filter((name) => !proofing.findings.some((f) => f.check === name)));
  const aim = $derived(piece.details.brief?.grade ?? GRADE_AIM);
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
  {#if proofing.figures?.words && view !== 'yardstick'}
    <GradeChart grades={proofing.figures.grades} onchoose={(block) => piece.page.goToBlock(block)} />
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
        <summary
          ><Gravity gravity="fine" />
          {proofing.findings.length
            ? `${fine.length} of ${count(proofing.checked.length, 'check')} found nothing`
            : `0 findings: all ${count(proofing.checked.length, 'check')} found nothing`}</summary
        >
        <p class="note">{fine.join(', ')}</p>
      </details>
      {#if proofing.unread.length}
        <p class="note" role="status">Reading for grammar: {count(proofing.unread.length, 'passage')} to go.</p>
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
      <p class="note">
        <button class="word" onclick={report}>Take a report along</button> for whoever approves the post; it can be printed.
      </p>
    {/if}
  {:else if view === 'yardstick'}
    <YardstickTab {piece} {yardstick} />
  {:else if proofing.figures}
    <dl>
      <dt>Words</dt>
      <dd>{figure(proofing.figures.words)}</dd>
      <dt>Minutes to read</dt>
      <dd>{proofing.figures.minutes}</dd>
      <dt>Sentences</dt>
      <dd>{figure(proofing.figures.sentences)}</dd>
      {#each LEVELS as { name, label, says } (name)}
        <dt>{label}</dt>
        <dd>{round(proofing.figures.levels?.[name])} <span class="muted">{says}</span></dd>
      {/each}
      <dt>Sections</dt>
      <dd>{proofing.figures.sections.length}</dd>
      <dt>Pictures</dt>
      <dd>{proofing.figures.pictures}</dd>
      <dt>Clips</dt>
      <dd>{proofing.figures.clips}</dd>
    </dl>
    {#if proofing.figures.sections.length > 1}
      <table>
        <thead><tr><th scope="col">Section</th><th scope="col">Words</th><th scope="col">Grade</th></tr></thead>
        <tbody>
          {#each proofing.figures.sections as { heading, words, grade }, n (n)}
            <tr>
              <td><button class="word" onclick={() => piece.page.goToSection(n)}>{heading || 'Introduction'}</button></td>
              <td class="mono">{figure(words)}</td>
              <td class="mono" class:hard={(grade ?? 0) > aim}>{round(grade)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
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
  table {
    width: calc(100% - 40px);
    margin: 4px 20px 18px;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 5px 0;
    border-bottom: 1px dotted var(--hair);
    text-align: right;
  }
  th {
    color: var(--faded);
    font-weight: 400;
  }
  th:first-child,
  td:first-child {
    text-align: left;
  }
  .hard {
    color: var(--brass);
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
