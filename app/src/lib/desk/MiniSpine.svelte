<!-- A piece's spine lying down: a stitch per section, its length by its words. -->
<script lang="ts">
  import { isThin } from '@even-page/core/shape';

  let { words }: { words: readonly number[] } = $props();
  const total = $derived(words.reduce((sum, w) => sum + w, 0));
</script>

{#if total > 0}
  <div class="mini" role="img" aria-label="{words.length} {words.length === 1 ? 'section' : 'sections'}, words in each: {words.join(', ')}">
    {#each words as w, i (i)}<i class:thin={isThin(w, words)} style="flex:{Math.max(w, total / 60)}"></i>{/each}
  </div>
{:else}
  <div class="none">no sections yet</div>
{/if}

<style>
  .mini {
    display: flex;
    gap: 3px;
    align-items: center;
    height: 26px;
  }
  i {
    position: relative;
    height: 3px;
    min-width: 3px;
    border-radius: 2px;
    background: color-mix(in srgb, var(--bottle) 45%, transparent);
  }
  i::before {
    content: '';
    position: absolute;
    left: -1px;
    top: -4px;
    width: 2px;
    height: 11px;
    background: var(--bottle);
  }
  .thin {
    background: var(--brass);
  }
  .none {
    color: var(--faded);
    font-size: 13.5px;
  }
</style>
