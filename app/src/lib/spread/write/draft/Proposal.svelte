<!-- A proposal beside what stands on the page: the difference in words, what the guard says, and what to take of it. -->
<script lang="ts">
  import { compare, type Compared, type GuardFinding, taken } from '@even-page/core/write';
  import { docFromJSON } from '@even-page/core/post/schema';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Round } from '../../piece-data.ts';
  import { type Drafting, wordsInAll } from './drafting.svelte.ts';
  import { mended } from './mending.ts';
  import { placeOf, type Target, wordsOf } from './target.ts';

  let { piece, drafting, round }: { piece: Piece; drafting: Drafting; round: Round } = $props();

  const part = $derived(drafting.part);
  const target = $derived.by((): Target => {
    if (part === null) return drafting.target;
    const home = drafting.partsOf(round)[part]?.home;
    return home ? { kind: 'section', id: home } : drafting.target;
  });
  const proposal = $derived(drafting.proposalOf(round, part));
  const was = $derived.by(() => {
    void piece.page.tick;
    return drafting.target.kind === 'words' && !placeOf(piece.page.doc, target, docFromJSON(round.asked.was))
      ? docFromJSON(round.asked.was)
      : wordsOf(piece.page.doc, target);
  });
  const rows = $derived(compare(was, proposal.doc));
  let left = $state<number[]>([]);
  const differs = (row: Compared) => row.how !== 'same';
  const isAllTaken = $derived(!left.length);

  let findings = $state.raw<GuardFinding[] | null>(null);
  // What is typed on the page meanwhile must not wait for it, letter by letter.
  const AFTER_MS = 300;
  let asked = 0;
  let mendedBefore: typeof drafting.edited | null = null;
  $effect(() => {
    const { brief, outline } = drafting.brief ?? {};
    if (!brief) return;
    const [held, before, place, turn] = [proposal, was, target, ++asked];
    const isMended = drafting.edited !== mendedBefore;
    mendedBefore = drafting.edited;
    const timer = setTimeout(() => void hold(held, before, place), isMended ? 0 : AFTER_MS);
    return () => clearTimeout(timer);

    async function hold({ doc, unknown, missing }: typeof proposal, replaced: typeof was, about: Target) {
      const spot = placeOf(piece.page.doc, about, null);
      const others = spot ? [piece.page.doc.cut(0, spot.from), piece.page.doc.cut(spot.to)] : [];
      const sent = {
        doc: doc.toJSON() as object,
        was: replaced.toJSON() as object,
        others: others.filter((o) => o.content.size).map((o) => o.toJSON() as object),
        asked: {
          form: round.asked.form,
          words: round.asked.words,
          never: [...piece.material.house.never, ...brief!.never],
          links: about.kind === 'whole' ? brief!.links : [],
          keepLinks: brief!.keepLinks,
          headings: [],
        },
        unknown: part === null ? unknown : [],
        missing: part === null ? missing : [],
        brief: brief!,
      };
      const found = await core().guard(piece.material.tidied, sent, outline?.map((p) => p.heading) ?? []);
      if (turn === asked) findings = found;
    }
  });

  /** Where something was found, by the place of the paragraph or heading among the blocks of the proposal. */
  const doubted = $derived.by(() => {
    const places = new Map<number, { from: number; to: number }[]>();
    let n = 0;
    proposal.doc.forEach((block, _, at) => {
      if (block.isTextblock) {
        const own = (findings ?? []).filter((f) => f.block === n && f.check !== 'rests' && f.check !== 'twice');
        if (own.length) places.set(at, own);
      }
      block.descendants((node) => void (node.isTextblock && n++));
      if (block.isTextblock) n++;
    });
    return places;
  });

  /** The words of a row in pieces, those with a doubt about them marked. */
  function pieces(row: Compared) {
    const spans = row.is === null ? [] : (doubted.get(row.is) ?? []);
    let at = 0;
    return row.words.flatMap(({ text, how }) => {
      if (how === 'gone' || !spans.length) {
        if (how !== 'gone') at += text.length;
        return [{ text, how, isDoubted: false }];
      }
      const start = at;
      at += text.length;
      const edges = [0, text.length, ...spans.flatMap((s) => [s.from - start, s.to - start])].filter((e) => e >= 0 && e <= text.length);
      const cuts = [...new Set(edges)].sort((a, b) => a - b);
      return cuts.slice(1).map((to, i) => {
        const from = cuts[i]!;
        return { text: text.slice(from, to), how, isDoubted: spans.some((s) => s.from <= start + from && s.to >= start + to) };
      });
    });
  }

  const musts = $derived((findings ?? []).filter((f) => f.gravity === 'must').length);
  const says = $derived(round.notes);

  function take() {
    const blocks = taken(was, proposal.doc, rows, (n) => !left.includes(n));
    void drafting.take(round, blocks, isAllTaken ? 'whole' : 'part', target);
    left = [];
  }

  const mend = (finding: GuardFinding) => drafting.edit(round, part, mended(proposal.doc, finding));

  const TAGS: Record<string, string> = { blockquote: 'blockquote', codeBlock: 'pre' };
  const HOW = { changed: 'changed', new: 'new', gone: 'taken out', moved: 'moved', same: '' } as const;
</script>

<p class="note head">
  {count(wordsInAll(proposal.doc), 'word')} proposed{round.asked.words ? `, asked were ${round.asked.words}` : ''}{round.taken
    ? `; ${round.taken === 'part' ? 'a part of it was' : 'it was'} taken`
    : ''}
  {#if part !== null}<button class="word small" onclick={() => (drafting.part = null)}>All parts</button>{/if}
</p>
{#each says as note (note)}
  <div class="item note-row">
    <Gravity gravity="look" />
    <span>{note}</span>
  </div>
{/each}
{#if !round.answer.trim()}
  <p class="note">Nothing came of this round.</p>
{:else}
  <div class="rows words">
    {#each rows as row, n (n)}
      <div class="row {row.how}" class:left={left.includes(n)}>
        {#if differs(row)}
          <input
            type="checkbox"
            checked={!left.includes(n)}
            aria-label="Take: {HOW[row.how]}, {row.words
              .map((w) => w.text)
              .join('')
              .slice(0, 60)}"
            onchange={() => (left = left.includes(n) ? left.filter((l) => l !== n) : [...left, n])}
          />
        {:else}<span></span>{/if}
        <svelte:element this={row.type === 'heading' ? 'h3' : (TAGS[row.type] ?? 'p')}
          >{#each pieces(row) as words, w (w)}{#if words.how === 'gone'}<del>{words.text}</del>{:else if words.how === 'new'}<ins
                class:doubted={words.isDoubted}>{words.text}</ins
              >{:else}<span class:doubted={words.isDoubted}>{words.text}</span>{/if}{/each}</svelte:element
        >
      </div>
    {/each}
  </div>
  {#if !findings}
    <p class="note" role="status">Holding it against the material…</p>
  {:else}
    {#each findings as finding, n (n)}
      <div class="item">
        <Gravity gravity={finding.gravity} />
        <div>
          <b>{finding.says}</b>
          <span class="says">{finding.hint}</span>
        </div>
        {#if finding.fix}<button class="word" onclick={() => mend(finding)}>{finding.fix.label}</button>{/if}
      </div>
    {/each}
  {/if}
  <div class="takes">
    <button class="act" disabled={!rows.some(differs) || left.length === rows.filter(differs).length} onclick={take}
      >{isAllTaken ? 'Take it' : 'Take the marked'}</button
    >
    {#if musts}<span class="muted small">{count(musts, 'thing')} in it must be mended first, or afterwards on the page.</span>{/if}
  </div>
{/if}

<style>
  .head {
    padding-bottom: 4px;
  }
  .note-row {
    grid-template-columns: 22px minmax(0, 1fr);
  }
  .rows {
    padding: 4px 20px 10px;
    border-bottom: 1px solid var(--hair);
  }
  .row {
    display: grid;
    grid-template-columns: 18px minmax(0, 1fr);
    gap: 8px;
    align-items: start;
    padding: 4px 0;
  }
  .row input {
    margin-top: 7px;
    accent-color: var(--bottle);
  }
  .row > :global(:last-child) {
    margin: 0;
    white-space: pre-line;
    overflow-wrap: anywhere;
  }
  .row.left {
    opacity: 0.55;
  }
  h3 {
    font: 640 17px/1.3 var(--serif);
  }
  .row.same {
    color: var(--faded);
  }
  ins {
    background: var(--bottle-tint);
    text-decoration: none;
  }
  .row.new ins {
    background: none;
  }
  .row .doubted {
    background: var(--rust-tint);
    text-decoration: underline;
    text-decoration-color: var(--rust);
    text-underline-offset: 3px;
  }
  del {
    color: var(--rust);
  }
  .row.gone del {
    color: var(--faded);
  }
  .item b {
    font-weight: 600;
  }
  .takes {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    padding: 12px 20px 0;
  }
</style>
