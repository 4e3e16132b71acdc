<!-- A question over everything else, answered before work goes on. -->
<script lang="ts">
  import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
  import type { Snippet } from 'svelte';

  let {
    open = $bindable(),
    title,
    children,
    actions,
    isWide = false,
  }: {
    open: boolean;
    title: string;
    children: Snippet;
    actions?: Snippet;
    /** Whether what is asked needs two columns. */ isWide?: boolean;
  } = $props();
</script>

<Dialog {open} onOpenChange={(e) => (open = e.open)}>
  <Portal>
    <Dialog.Backdrop class="ask-back" />
    <Dialog.Positioner class="ask-place">
      <Dialog.Content class="ask-sheet {isWide ? 'wide' : ''}">
        <Dialog.Title class="ask-title">{title}</Dialog.Title>
        <div class="ask-body">{@render children()}</div>
        <div class="ask-acts">
          {#if actions}{@render actions()}{/if}
          <Dialog.CloseTrigger class="quiet">{actions ? 'Not now' : 'Close'}</Dialog.CloseTrigger>
        </div>
      </Dialog.Content>
    </Dialog.Positioner>
  </Portal>
</Dialog>

<style>
  :global(.ask-back) {
    position: fixed;
    inset: 0;
    z-index: 40;
    background: rgb(20 18 14 / 0.38);
  }
  :global(.ask-place) {
    position: fixed;
    inset: 0;
    z-index: 41;
    display: grid;
    place-items: center;
    padding: 20px;
    overflow: auto;
  }
  :global(.ask-sheet) {
    width: min(480px, 100%);
    padding: 20px 24px;
    background: var(--leaf);
    border: 1px solid var(--leaf-edge);
    border-radius: 3px;
    box-shadow: var(--shadow);
  }
  :global(.ask-sheet.wide) {
    width: min(980px, 100%);
  }
  :global(.ask-title) {
    font: 640 20px/1.3 var(--serif);
  }
  .ask-body {
    margin: 8px 0 18px;
    color: var(--faded);
  }
  .ask-acts {
    display: flex;
    gap: 10px;
  }
</style>
