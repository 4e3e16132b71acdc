<!-- Words an earlier visit kept and that could not be put onto the page: nothing is thrown away without the writer. -->
<script lang="ts">
  import type { Saver } from './saver.svelte.ts';

  let { saver }: { saver: Saver } = $props();

  let says = $state('');

  async function copy(words: string) {
    await navigator.clipboard.writeText(words);
    says = 'They are on the clipboard';
  }
</script>

{#each saver.offered as offer (offer.visit)}
  <section aria-label="Words this browser kept" aria-live="polite">
    <h2>Words this browser kept</h2>
    <p class="muted small">They were typed here earlier and no longer fit where they stood. They stay in this browser until you decide.</p>
    <textarea readonly rows="5" aria-label="The words kept">{offer.words}</textarea>
    <p class="acts">
      <button class="act" onclick={() => void saver.settle(offer, 'add')}>Add them at the end of the page</button>
      <button class="quiet" onclick={() => copy(offer.words)}>Copy</button>
      <button class="word" onclick={() => void saver.settle(offer, 'drop')}>Throw them away</button>
      <span class="muted small" role="status">{says}</span>
    </p>
  </section>
{/each}

<style>
  section {
    max-height: 46%;
    overflow-y: auto;
    padding: 14px 30px 10px;
    border-bottom: 1px solid var(--brass);
    background: var(--brass-tint);
  }
  section > .muted {
    color: var(--ink);
  }
  h2 {
    font-weight: 650;
  }
  textarea {
    width: 100%;
    margin: 8px 0;
    padding: 8px 10px;
    font: 15px/1.5 var(--serif);
    color: var(--ink);
    background: var(--leaf);
    border: 1px solid var(--hair);
    border-radius: 3px;
  }
  @media (max-width: 600px) {
    section {
      padding-inline: 16px;
    }
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
  }
</style>
