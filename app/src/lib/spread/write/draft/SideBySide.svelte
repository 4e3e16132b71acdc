<!-- Two rounds side by side: by words, grade and what the guard says; paragraphs are taken from either. -->
<script lang="ts">
  import { readability } from '@even-page/core/language/readability';
  import { plainText } from '@even-page/core/post/sections';
  import Ask from '$lib/parts/Ask.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Round } from '../../piece-data.ts';
  import { type Drafting, wordsInAll } from './drafting.svelte.ts';
  import { wordsOf } from './target.ts';

  let { piece, drafting, rounds, onclose }: { piece: Piece; drafting: Drafting; rounds: [Round, Round]; onclose: () => void } = $props();

  const sides = $derived(
    rounds.map((round) => ({ round, doc: drafting.proposalOf(round).doc, unknown: drafting.proposalOf(round).unknown })),
  );
  let marked = $state<string[]>([]);
  let found = $state<Record<string, number>>({});

  $effect(() => {
    const brief = drafting.brief?.brief;
    if (!brief) return;
    const was = wordsOf(piece.page.doc, drafting.target).toJSON() as object;
    for (const { round, doc, unknown } of sides) {
      const asked = {
        ...round.asked,
        never: [...piece.material.house.never, ...brief.never],
        links: [],
        keepLinks: brief.keepLinks,
        headings: [],
      };
      const sent = { doc: doc.toJSON() as object, was, others: [], asked, unknown, missing: [], brief };
      void core()
        .guard(piece.material.tidied, sent, [])
        .then((all) => (found = { ...found, [round.id]: all.filter((f) => f.gravity !== 'fine').length }));
    }
  });

  const gradeOf = (text: string) => readability(text).grade;
  const key = (id: string, n: number) => `${id} ${n}`;
  const mark = (name: string) => (marked = marked.includes(name) ? marked.filter((m) => m !== name) : [...marked, name]);

  /** The marked paragraphs, in the order they stand in, those of both mixed by how far down they stand. */
  function take() {
    const blocks = sides
      .flatMap(({ round, doc }) =>
        doc.children.flatMap((block, n) => (marked.includes(key(round.id, n)) ? [{ block, at: n / doc.childCount }] : [])),
      )
      .sort((a, b) => a.at - b.at)
      .map(({ block }) => block);
    void drafting.take(rounds[0], blocks, 'part');
    onclose();
  }
</script>

<Ask bind:open={() => true, (isOpen) => !isOpen && onclose()} title="Two drafts side by side" isWide>
  <div class="sides">
    {#each sides as { round, doc } (round.id)}
      {@const grade = gradeOf(plainText(doc, '\n\n'))}
      <section aria-label="{round.drafter}, {round.wish || round.task}">
        <p class="small">
          <b>{round.drafter}</b>
          {count(wordsInAll(doc), 'word')}{grade === null ? '' : `, grade ${Math.max(1, Math.round(grade))}`}{found[round.id] === undefined
            ? ''
            : `, ${count(found[round.id]!, 'finding')}`}
        </p>
        {#each doc.children as block, n (n)}
          <label class="block"
            ><input type="checkbox" checked={marked.includes(key(round.id, n))} onchange={() => mark(key(round.id, n))} />
            <span>{plainText(block)}</span></label
          >
        {/each}
      </section>
    {/each}
  </div>
  {#snippet actions()}
    <button class="act" disabled={!marked.length} onclick={take}
      >Take the {marked.length === 1 ? 'marked paragraph' : `${marked.length} marked`}</button
    >
  {/snippet}
</Ask>

<style>
  .sides {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 24px;
    max-height: 62vh;
    overflow-y: auto;
    color: var(--ink);
  }
  .block {
    display: grid;
    grid-template-columns: 18px minmax(0, 1fr);
    gap: 8px;
    padding: 5px 0;
    font: 16px/1.55 var(--serif);
    white-space: pre-line;
  }
  .block input {
    margin-top: 6px;
    accent-color: var(--bottle);
  }
  @media (max-width: 700px) {
    .sides {
      grid-template-columns: 1fr;
    }
  }
</style>
