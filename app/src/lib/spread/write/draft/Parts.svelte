<!-- An answer about the whole post: its headed parts, each with the section it belongs to, to look at and take one by one or all at once. -->
<script lang="ts">
  import Gravity from '$lib/parts/Gravity.svelte';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../../piece.svelte.ts';
  import type { Round } from '../../piece-data.ts';
  import { type Drafting, wordsInAll } from './drafting.svelte.ts';

  let { piece, drafting, round }: { piece: Piece; drafting: Drafting; round: Round } = $props();

  const parts = $derived.by(() => {
    void piece.page.tick;
    return drafting.partsOf(round);
  });
  const headingOf = (id: string) => piece.page.sections.find((s) => s.id === id)?.heading || 'the opening';
</script>

{#each round.notes as note (note)}
  <div class="item"><Gravity gravity="look" /><span>{note}</span></div>
{/each}
{#if !parts.length}
  <p class="note">Nothing came of this round.</p>
{:else}
  <p class="note">
    {count(parts.length, 'part')}, {count(
      parts.reduce((sum, p) => sum + wordsInAll(p.doc), 0),
      'word',
    )}{round.taken ? '; taken' : ''}. Each was matched with a section by its heading, or by what it says.
  </p>
  <ol>
    {#each parts as part, n (n)}
      <li class="item">
        <span class="number">{n + 1}</span>
        <div>
          <b>{part.heading || 'Opening'}</b>
          <span class="says"
            >{count(wordsInAll(part.doc), 'word')}, {part.home
              ? `in the place of “${headingOf(part.home)}”`
              : 'a new section at the end'}</span
          >
        </div>
        <button class="word" onclick={() => (drafting.part = n)}>Look</button>
      </li>
    {/each}
  </ol>
  <div class="takes">
    <button class="act" onclick={() => void drafting.takeParts(round)}
      >{round.task === 'outline' ? 'Take the headings' : parts.length > 1 ? `Take all ${parts.length}` : 'Take it'}</button
    >
  </div>
{/if}

<style>
  .takes {
    padding: 12px 20px 0;
  }
</style>
