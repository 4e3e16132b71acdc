<!-- Length: the words wanted, of the post or a section; what could go, and what the material still has. -->
<script lang="ts">
  import { showTime } from '@even-page/core/language/times';
  import { type Cuttable, type Filling, withoutUnits, wordsOf } from '@even-page/core/shape';
  import { count, figure } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  /** The id of the section that is asked of; empty for the whole post. */
  let section = $state('');
  const asked = $derived(piece.page.sections.some((s) => s.id === section) ? section : '');
  const words = $derived.by(() => {
    void piece.page.tick;
    return wordsOf(piece.page.doc, { section: asked || undefined });
  });
  const target = $derived.by(() => {
    void piece.page.tick;
    if (!asked) return piece.details.words ?? 0;
    let found = 0;
    piece.page.doc.forEach((block) => {
      if (block.attrs.id === asked) found = (block.attrs.target as number | undefined) ?? 0;
    });
    return found;
  });

  type Proposal = { doc: Piece['page']['doc']; going: Cuttable[]; coming: Filling[] };
  let proposal = $state.raw<Proposal | null>(null);
  let kept = $state<Record<number, boolean>>({});
  let says = $state('');

  // What was proposed was proposed for this page and this length.
  const current = $derived.by(() => {
    void piece.page.tick;
    return proposal?.doc === piece.page.doc ? proposal : null;
  });
  const rows = $derived(
    current
      ? [
          ...current.going.map((u) => ({
            heading: u.heading,
            text: u.text,
            words: u.words,
            startMs: u.origins[0]?.startMs,
            origins: u.origins,
          })),
          ...current.coming.map(({ heading, stretch }) => ({
            heading,
            text: stretch.text,
            words: stretch.words,
            startMs: stretch.sentences[0]!.startMs,
            origins: [{ source: stretch.source, first: stretch.sentences[0]!.first, last: stretch.sentences.at(-1)!.last }],
          })),
        ]
      : [],
  );
  const chosen = $derived(rows.flatMap((row, i) => (kept[i] ? [] : [{ ...row, i }])));
  const sum = $derived(chosen.reduce((n, row) => n + row.words, 0));

  function want(value: string) {
    const wanted = Math.max(0, Math.round(Number(value) || 0));
    says = '';
    if (!asked) {
      piece.details.words = wanted || undefined;
    } else piece.page.wantWords(asked, wanted);
  }

  async function propose(how: 'condense' | 'fill') {
    const { doc } = piece.page;
    const json = doc.toJSON() as object;
    const of = asked || undefined;
    const going = how === 'condense' ? await core().condense(json, target, of) : [];
    const coming = how === 'fill' ? await core().fill(json, piece.material.tidied, target, of) : [];
    kept = {};
    proposal = { doc, going, coming };
    says =
      going.length + coming.length
        ? ''
        : how === 'condense'
          ? 'No sentence can go without taking a thought along.'
          : 'Every passage on these subjects is used already.';
  }

  function carryOut() {
    if (!current) return;
    const { going, coming } = current;
    const isChosen = (i: number) => !kept[i];
    if (going.length)
      piece.page.rewrite(
        withoutUnits(
          piece.page.doc,
          going.filter((_, i) => isChosen(i)),
        ),
      );
    else piece.page.feedAll(coming.filter((_, i) => isChosen(i)));
    proposal = null;
  }
</script>

<section aria-label="Length">
  <div class="row">
    <b>Length</b>
    {#if piece.page.sections.length > 1}
      <select class="entry of" aria-label="Length of" bind:value={section}>
        <option value="">the post</option>
        {#each piece.page.sections.filter((s) => s.id !== 'lead') as s, i (s.id)}<option value={s.id}
            >{i + 1} {s.heading || 'Untitled'}</option
          >{/each}
      </select>
    {/if}
    <span class="mono n" class:over={target > 0 && words > target}>{figure(words)}</span>
    <label
      >of<input
        class="entry"
        type="number"
        min="0"
        max="200000"
        step="50"
        aria-label="Length wanted, in words"
        placeholder="words"
        value={target || ''}
        onchange={(e) => want(e.currentTarget.value)}
      /></label
    >
    {#if target > 0 && words > target}
      <button class="quiet" onclick={() => void propose('condense')}>Condense by {figure(words - target)}</button>
    {:else if target > words && piece.material.sources.length}
      <button class="quiet" onclick={() => void propose('fill')}>Fill from the material</button>
    {/if}
  </div>
  {#if says}<p class="muted small" role="status">{says}</p>{/if}
  {#if rows.length}
    <ul>
      {#each rows as row, i (i)}
        {#if row.heading !== rows[i - 1]?.heading}<li class="of-section muted small">{row.heading}</li>{/if}
        <li>
          <label class="choice">
            <input type="checkbox" checked={!kept[i]} onchange={(e) => (kept[i] = !e.currentTarget.checked)} />
            <span class:gone={current!.going.length > 0 && !kept[i]}>{row.text}</span>
          </label>
          <button class="mono slate" title="Show it in the material" onclick={() => piece.showOrigin(row.origins)}
            >{row.startMs === undefined ? (row.origins[0] ? `¶ ${row.origins[0].first + 1}` : '') : showTime(row.startMs)}</button
          >
        </li>
      {/each}
    </ul>
    <div class="row">
      <button class="act" disabled={!chosen.length} onclick={carryOut}
        >{current!.going.length ? 'Take out' : 'Bring in'}
        {count(chosen.length, 'passage')}, {count(sum, 'word')}</button
      >
      <button class="quiet" onclick={() => (proposal = null)}>Leave the page as it is</button>
    </div>
  {/if}
</section>

<style>
  section {
    border-bottom: 1px solid var(--hair);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 10px;
    padding: 8px 20px;
  }
  .of {
    max-width: 150px;
  }
  label {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    color: var(--faded);
  }
  label input[type='number'] {
    width: 84px;
  }
  .over {
    color: var(--rust);
  }
  p {
    padding: 0 20px 8px;
  }
  ul {
    max-height: 340px;
    overflow-y: auto;
    padding: 4px 20px;
    border-block: 1px solid var(--hair);
    background: color-mix(in srgb, var(--paper) 40%, var(--leaf));
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 12px;
    align-items: baseline;
    padding: 3px 0;
  }
  .of-section {
    padding-top: 8px;
  }
  .choice {
    align-items: baseline;
    gap: 9px;
    color: var(--ink);
    font: 15px/1.5 var(--serif);
  }
  .choice input {
    accent-color: var(--bottle);
  }
  .gone {
    color: var(--faded);
    text-decoration: line-through;
    text-decoration-color: var(--rust);
  }
  .slate {
    color: var(--slate);
  }
</style>
