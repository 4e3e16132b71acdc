<!-- A name that was heard wrong: mend it everywhere, here, or leave it. -->
<script lang="ts">
  import type { Edit } from '@even-page/core/tidy';
  import { count } from '$lib/parts/sizes.ts';

  let {
    edit,
    places,
    onmend,
    onclose,
  }: { edit: Edit; places: readonly Edit[]; onmend: (edits: readonly Edit[]) => void; onclose: () => void } = $props();

  let first = $state<HTMLButtonElement>();
  $effect(() => first?.focus());
</script>

<div class="card" role="dialog" aria-label="A name heard wrong" tabindex="-1" onkeydown={(e) => e.key === 'Escape' && onclose()}>
  <p>
    <b>{edit.after}</b>
    <span class="muted">{edit.reason.charAt(0).toLowerCase() + edit.reason.slice(1)}; {count(places.length, 'place')}</span>
  </p>
  <div class="acts">
    <button class="act" bind:this={first} onclick={() => onmend(places)}
      >{places.length > 1 ? `Mend all ${places.length}` : 'Mend it'}</button
    >
    {#if places.length > 1}<button class="quiet" onclick={() => onmend([edit])}>Only here</button>{/if}
    <button class="quiet" onclick={onclose}>Leave</button>
  </div>
</div>

<style>
  .card {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 8px 16px;
    padding: 12px 20px;
    border-top: 1px solid var(--hair);
    background: var(--leaf);
    box-shadow: var(--shadow);
  }
  p {
    margin: 0;
  }
  b {
    font: 640 17px/1.3 var(--serif);
  }
  .acts {
    display: flex;
    gap: 8px;
  }
</style>
