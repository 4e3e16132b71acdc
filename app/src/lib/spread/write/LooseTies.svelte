<!-- Paragraphs that were edited far from what they are tied to: their origin marks may no longer hold. -->
<script lang="ts">
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const paragraphs = $derived.by(() => {
    void piece.page.tick;
    const found: { id: string; text: string }[] = [];
    piece.page.doc.descendants((node) => {
      const id = node.attrs.id as string;
      if (piece.proofing.loose.includes(id)) found.push({ id, text: node.textContent });
      return !node.isTextblock;
    });
    return found;
  });
</script>

{#if paragraphs.length}
  <section aria-label="Marks that may no longer hold">
    <p class="note">
      {count(paragraphs.length, 'paragraph')} no longer {paragraphs.length === 1 ? 'says' : 'say'} what the material says there: the mark may
      no longer hold.
    </p>
    {#each paragraphs as { id, text } (id)}
      <div class="entry-row">
        <button class="psg" onclick={() => piece.page.goToBlock(id)}>{text.length > 90 ? `${text.slice(0, 90)}…` : text}</button>
        <button class="word small" onclick={() => piece.page.untie(id)}>Take the mark off</button>
      </div>
    {/each}
  </section>
{/if}

<style>
  section {
    padding-bottom: 8px;
    border-bottom: 1px solid var(--hair);
    background: var(--brass-tint);
  }
  .entry-row {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: baseline;
    gap: 12px;
    padding: 3px 20px;
  }
  .psg {
    text-align: left;
    font: 15px/1.5 var(--serif);
  }
  .psg:hover {
    color: var(--bottle);
  }
</style>
