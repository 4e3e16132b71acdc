<!-- The words of a source as written: each changed sentence with what was said, and a way to put it back. -->
<script lang="ts">
  import { showTime } from '@even-page/core/language/times';
  import {
    choicesOf,
    editKey,
    flowOf,
    type ProseSentence,
    type ToldBy,
    toldBy,
    type Turn,
    turned,
    type Written,
  } from '@even-page/core/tidy';
  import { figure } from '$lib/parts/sizes.ts';
  import { core } from '$lib/workers/core.ts';
  import type { SourceInHand } from '../piece-data.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, source }: { piece: Piece; source: SourceInHand } = $props();

  const PERSONS: readonly { person: ToldBy; label: string }[] = [
    { person: 'you', label: 'to “you”' },
    { person: 'we', label: 'by “we”' },
    { person: 'i', label: 'by “I”' },
  ];

  let written = $state.raw<Written | null>(null);
  let only = $state('');
  let asked = 0;

  // What is written follows the repairs taken and what was decided about it.
  $effect(() => {
    const { id, source: words, edits, proposed } = source;
    const turn = ++asked;
    void core()
      .written({ id, source: words, edits, proposed: proposed ?? [] })
      .then((found) => {
        if (turn === asked) written = found;
      });
  });

  const choices = $derived(choicesOf(source.edits));
  const sentences = $derived((written?.paragraphs ?? []).flatMap((p) => p.sentences));
  const isChanged = (s: ProseSentence) => !!s.wording && (s.wording.out !== null || s.wording.changes.length > 0);
  const changed = $derived(sentences.filter(isChanged));
  const reasons = $derived.by(() => {
    const counts = new Map<string, number>();
    for (const { wording } of changed) {
      const own = wording!.out === null ? wording!.changes.map((c) => c.reason) : [wording!.out];
      for (const reason of new Set(own)) counts.set(reason, (counts.get(reason) ?? 0) + 1);
    }
    return [...counts].sort((a, b) => b[1] - a[1]);
  });
  const hasReason = ({ wording }: ProseSentence) =>
    !only || wording?.out === only || (wording?.out === null && wording.changes.some((c) => c.reason === only));
  const shown = $derived(only ? sentences.filter(hasReason) : sentences);

  function turn(s: ProseSentence, to: Turn | null) {
    const edit = turned(flowOf(source.source).text, s, to ?? 'said');
    const held = source.edits.filter((e) => editKey(e) === editKey(edit));
    piece.changeEdits(source.id, to ? [edit] : [], to ? [] : held);
  }
  const tell = (person: ToldBy) => piece.changeEdits(source.id, [toldBy(person)], []);
</script>

{#if !written}
  <p class="note" role="status">Wording…</p>
{:else if !sentences.some((s) => s.wording) && written.person !== 'as-said'}
  <p class="note">These words are kept as they are: wording is for talk in English.</p>
{:else}
  <div class="told">
    <span class="muted">told</span>
    <span role="group" aria-label="Told to or by">
      {#each PERSONS as { person, label } (person)}<button
          class="chip"
          aria-pressed={written.person === person}
          onclick={() => tell(person)}>{label}</button
        >{/each}
      <button class="chip" aria-pressed={written.person === 'as-said'} onclick={() => tell('as-said')}>all as said</button>
    </span>
    <span class="end muted">{figure(changed.length)} changed</span>
  </div>
  <div class="scroll" role="group" aria-label="Words as written">
    {#each shown as s (s.from)}
      {@const w = s.wording}
      <div class="sentence" class:out={w?.out}>
        <span class="mono t">{s.startMs === undefined ? '' : showTime(s.startMs)}</span>
        <div class="words">
          <p class:changed={w && !w.out && w.changes.length}>{w?.out ? w.said : s.text}</p>
          {#if w && isChanged(s)}<p class="was">
              {#if !w.out}<i>{w.said}</i>{' · '}{/if}{w.out ?? [...new Set(w.changes.map((c) => c.reason.toLowerCase()))].join(', ')}
            </p>{/if}
        </div>
        {#if w?.out}<button class="word" onclick={() => turn(s, 'in')}>put in</button>
        {:else if choices.turns?.[s.from]}<button class="word" onclick={() => turn(s, null)}>as written</button>
        {:else if w?.changes.length}<button class="word" onclick={() => turn(s, 'said')}>as said</button>
        {:else}<span></span>{/if}
      </div>
    {/each}
  </div>
  <div class="by" role="group" aria-label="Changed by">
    <span class="muted">Changed by</span>
    {#each reasons as [reason, n] (reason)}<button
        class="chip"
        aria-pressed={only === reason}
        onclick={() => (only = only === reason ? '' : reason)}>{reason} {figure(n)}</button
      >{/each}
  </div>
{/if}

<style>
  .told,
  .by {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 10px;
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  .by {
    border-top: 1px solid var(--hair);
    flex-wrap: nowrap;
    border-bottom: 0;
    overflow-x: auto;
    scrollbar-width: thin;
  }
  .by > * {
    flex: none;
  }
  .scroll {
    padding-block: 10px 24px;
  }
  .sentence {
    display: grid;
    grid-template-columns: 50px minmax(0, 1fr) auto;
    gap: 12px;
    align-items: baseline;
    padding: 3px 20px;
    content-visibility: auto;
    contain-intrinsic-size: auto 34px;
  }
  .t {
    text-align: right;
    color: var(--slate);
  }
  .words p {
    font: 17px/1.5 var(--serif);
    overflow-wrap: anywhere;
  }
  .changed {
    text-decoration: underline 1px var(--bottle);
    text-underline-offset: 4px;
  }
  .words .was {
    display: none;
    font: 14px/1.45 var(--sans);
    color: var(--faded);
  }
  .was i {
    font-family: var(--serif);
  }
  .sentence:hover .was,
  .sentence:focus-within .was {
    display: block;
  }
  .out p:first-child {
    color: var(--faded);
    text-decoration: line-through;
    text-decoration-color: var(--faded);
  }
  .sentence .word {
    font-size: 14px;
  }
  .note {
    padding: 12px 20px;
  }
</style>
