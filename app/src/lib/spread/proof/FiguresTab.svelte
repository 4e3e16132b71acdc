<!-- The figures of the page: how long its sentences and sections are, how they read, what stands where; each leads to its place. -->
<script lang="ts">
  import type { Figures } from '@even-page/core/proof';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count, figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import BarChart from './BarChart.svelte';

  let { piece, figures, aim, inMaterial }: { piece: Piece; figures: Figures; aim: number; inMaterial: number | null } = $props();

  const LEVELS = [
    { name: 'ease', label: 'Reading ease', says: 'Flesch: about 60 to 70 is plain English' },
    { name: 'kincaid', label: 'Grade', says: 'Flesch-Kincaid: 8 suits a general audience' },
    { name: 'fog', label: 'Fog', says: 'Gunning: long sentences and hard words' },
    { name: 'smog', label: 'SMOG', says: 'McLaughlin: words of three syllables and more' },
    { name: 'colemanLiau', label: 'Coleman-Liau', says: 'by letters instead of syllables' },
    { name: 'ari', label: 'Automated', says: 'Senter and Smith: by letters and sentences' },
    { name: 'daleChall', label: 'Dale-Chall', says: 'by words not everybody knows; below 6 is easy' },
  ] as const;
  // What is read in one go (common practice, no source).
  const EASY_SENTENCE = 20;
  const LONG_SENTENCE = 40;
  const HARDEST = 5;

  const round = (n: number | null | undefined) => (n == null ? '–' : n.toFixed(n < 20 ? 1 : 0));
  const sections = $derived(figures.sections);
  const level = $derived(figures.words / Math.max(1, sections.length));
  const named = (n: number) => sections[n]?.heading || 'Introduction';
  const rests = $derived(figures.along.filter(({ what }) => what !== 'link').length);
</script>

<h2>Sentences</h2>
<BarChart
  bars={figures.lengths.map(({ words }) => ({ value: words, isOver: words > LONG_SENTENCE }))}
  aim={EASY_SENTENCE}
  aimSays="{EASY_SENTENCE} words"
  highest={50}
  height={70}
  label="Words of {count(figures.lengths.length, 'sentence')} in order, {round(
    figures.words / Math.max(1, figures.sentences),
  )} on average; the longest has {Math.max(0, ...figures.lengths.map(({ words }) => words))}"
  onchoose={(n) => piece.page.goToBlock(figures.lengths[n]!.block)}
/>
{#if figures.hard.length}
  <h2>Hardest to read</h2>
  {#each figures.hard.slice(0, HARDEST) as { place, text, because }, n (n)}
    <button class="item" onclick={() => place && 'block' in place && piece.page.goToBlock(place.block, place.from, place.to)}>
      <Gravity gravity="look" /><span
        ><b class="said">{text.length > 110 ? `${text.slice(0, 108)}…` : text}</b>
        <span class="says">{because.join(', ')}</span></span
      ><span class="go">show</span>
    </button>
  {/each}
{/if}
{#if sections.length > 1}
  <h2>Sections</h2>
  <BarChart
    bars={sections.map(({ words }) => ({ value: words, isOver: false }))}
    aim={level}
    aimSays="{figure(Math.round(level))} words, level"
    highest={1.15 * Math.max(1, ...sections.map(({ words }) => words))}
    height={64}
    label="Words by section; the table below says the same"
    onchoose={(n) => piece.page.goToSection(n)}
  />
  <BarChart
    bars={sections.map(({ grade }) => ({ value: grade ?? 0, isOver: (grade ?? 0) > aim }))}
    {aim}
    aimSays="grade {aim}, asked for"
    highest={Math.max(16, aim + 4)}
    height={64}
    label="Grade by section against grade {aim}; the table below says the same"
    onchoose={(n) => piece.page.goToSection(n)}
  />
  <table>
    <thead><tr><th scope="col">Section</th><th scope="col">Words</th><th scope="col">Grade</th></tr></thead>
    <tbody>
      {#each sections as { words, grade }, n (n)}
        <tr>
          <td><button class="word" onclick={() => piece.page.goToSection(n)}>{named(n)}</button></td>
          <td class="mono">{figure(words)}</td>
          <td class="mono" class:hard={(grade ?? 0) > aim}>{round(grade)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if figures.along.length}
  <h2>Pictures and links along the page</h2>
  <div class="along">
    {#each figures.along as { what, at, block }, n (n)}
      <button
        class={what}
        style="left:{100 * at}%"
        title="{what} at {Math.round(100 * at)} %"
        aria-label="{what} at {Math.round(100 * at)} % of the page"
        onclick={() => piece.page.goToBlock(block)}
      ></button>
    {/each}
  </div>
  <p class="note">
    Pictures and clips above the line, {figure(rests)} of them; {count(figures.along.length - rests, 'link')} below.
  </p>
{/if}
<h2>In figures</h2>
<dl>
  <dt>Words</dt>
  <dd>{figure(figures.words)}, {count(figures.minutes, 'minute')} to read</dd>
  <dt>Sentences</dt>
  <dd>{figure(figures.sentences)}</dd>
  {#each LEVELS as { name, label, says } (name)}
    <dt>{label}</dt>
    <dd>{round(figures.levels?.[name])} <span class="muted">{says}</span></dd>
  {/each}
  {#if inMaterial !== null}
    <dt>As said</dt>
    <dd>{Math.round(100 * inMaterial)} % <span class="muted">stands in your material word for word</span></dd>
  {/if}
  <dt>Links</dt>
  <dd>{figures.linksInside} inside, {figures.linksOutside} outside</dd>
  <dt>Pictures</dt>
  <dd>{figures.pictures}</dd>
  <dt>Clips</dt>
  <dd>{figures.clips}</dd>
</dl>

<style>
  h2 {
    padding: 14px 20px 0;
    font-size: 15px;
    font-weight: 600;
  }
  .said {
    font-family: var(--serif);
    font-weight: 400;
  }
  table {
    width: calc(100% - 40px);
    margin: 4px 20px 8px;
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
  .along {
    position: relative;
    height: 36px;
    margin: 8px 26px 0;
    background: linear-gradient(var(--hair), var(--hair)) center / 100% 1px no-repeat;
  }
  .along button {
    position: absolute;
    width: 10px;
    height: 14px;
    margin-left: -5px;
    border-radius: 2px;
    background: var(--bottle);
  }
  .along .picture,
  .along .clip {
    top: 2px;
  }
  .along .clip {
    background: var(--brass);
  }
  .along .link {
    top: 20px;
    width: 6px;
    margin-left: -3px;
    background: var(--slate);
  }
  dl {
    display: grid;
    grid-template-columns: 140px 1fr;
    gap: 8px 16px;
    padding: 8px 20px 18px;
  }
  dt {
    color: var(--faded);
  }
  dd {
    margin: 0;
  }
</style>
