<!-- What was found on the page, folded under one line until it is asked for. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let { label, children }: { label: string; children: Snippet } = $props();

  let isOpen = $state(false);
</script>

<div class="head">
  <button class="word" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}>{label}</button>
</div>
{#if isOpen}<ul>{@render children()}</ul>{/if}

<style>
  .head {
    padding: 8px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  ul :global(> li) {
    display: grid;
    gap: 8px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
  }
  /* What was found, and what can be done with it. */
  ul :global(.said) {
    text-align: left;
  }
  ul :global(.acts) {
    display: flex;
    gap: 8px;
    font-size: 14px;
  }
</style>
