<!-- The views of a leaf: words in a row, the open one underlined. -->
<script lang="ts" generics="T extends string">
  import { figure } from './sizes.ts';
  let {
    views,
    open = $bindable(),
    label,
  }: { views: readonly { name: T; label: string; count?: number }[]; open: T; label: string } = $props();

  function walk(event: KeyboardEvent) {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    const at = views.findIndex((v) => v.name === open);
    open = views[(at + step + views.length) % views.length]!.name;
    const list = event.currentTarget as HTMLElement;
    requestAnimationFrame(() => list.querySelector<HTMLElement>('[aria-checked="true"]')?.focus());
  }
</script>

<div class="views" role="radiogroup" tabindex="-1" aria-label={label} onkeydown={walk}>
  {#each views as view (view.name)}
    <button role="radio" aria-checked={open === view.name} tabindex={open === view.name ? 0 : -1} onclick={() => (open = view.name)}>
      {view.label}{#if view.count !== undefined}&nbsp;<b>{figure(view.count)}</b>{/if}
    </button>
  {/each}
</div>

<style>
  .views {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    color: var(--faded);
  }
  button {
    min-height: 28px;
    border-bottom: 2px solid transparent;
  }
  button:hover {
    color: var(--ink);
  }
  button[aria-checked='true'] {
    color: var(--ink);
    font-weight: 600;
    border-color: var(--bottle);
  }
  b {
    color: var(--ink);
    font-weight: 600;
  }
</style>
