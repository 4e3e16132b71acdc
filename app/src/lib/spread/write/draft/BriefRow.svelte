<!-- One line of the brief: what it is about, what is said of it, and where that comes from. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let {
    label,
    children,
    from = '',
    says = '',
    field,
  }: {
    label: string;
    children: Snippet;
    /** Where it was filled in from. */ from?: string;
    /** A figure that says how it stands. */ says?: string;
    /** The field the label is for. */ field?: string;
  } = $props();
</script>

<div class="field wide">
  <label for={field}>{label}</label>
  <div class="what">{@render children()}</div>
  <small>{says || from}</small>
</div>

<style>
  .wide {
    grid-template-columns: 92px minmax(0, 1fr) 84px;
  }
  @media (max-width: 600px) {
    .wide {
      grid-template-columns: minmax(0, 1fr) 84px;
    }
  }
  .what {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 6px 10px;
    min-width: 0;
  }
  .what > :global(.line) {
    flex: 1 1 180px;
    width: auto;
    min-width: 0;
  }
</style>
