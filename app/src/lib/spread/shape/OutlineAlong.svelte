<!-- The outline of the page as a file to take along. -->
<script lang="ts">
  import { Menu, Portal } from '@skeletonlabs/skeleton-svelte';
  import type { OutlineFile } from '@even-page/core/shape';
  import type { Piece } from '../piece.svelte.ts';
  import { takeOutlineAlong } from '../send/take-along.ts';

  let { piece }: { piece: Piece } = $props();

  const FILES: readonly { as: OutlineFile; label: string }[] = [
    { as: 'opml', label: 'OPML' },
    { as: 'list', label: 'Markdown list' },
    { as: 'headings', label: 'Markdown headings' },
    { as: 'lines', label: 'Lines set in' },
  ];
</script>

<Menu onSelect={(e) => takeOutlineAlong(e.value as OutlineFile, piece.detailsNow(), piece.page.doc)}>
  <Menu.Trigger class="word">Take the outline along</Menu.Trigger>
  <Portal>
    <Menu.Positioner>
      <Menu.Content class="more-list">
        {#each FILES as { as, label } (as)}
          <Menu.Item value={as} class="more-item"><Menu.ItemText>{label}</Menu.ItemText></Menu.Item>
        {/each}
      </Menu.Content>
    </Menu.Positioner>
  </Portal>
</Menu>
