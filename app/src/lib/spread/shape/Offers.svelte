<!-- What the page itself offers: lists hidden in its prose, the same matter in two places, sections that belong under others, and bold lines that could be headings. -->
<script lang="ts">
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Belonging from './Belonging.svelte';
  import BoldHeadings from './BoldHeadings.svelte';
  import Lists from './Lists.svelte';
  import SameMatter from './SameMatter.svelte';

  let { piece }: { piece: Piece } = $props();

  const QUIET_MS = 500;
  let found = $state.raw<({ doc: Piece['page']['doc'] } & Awaited<ReturnType<ReturnType<typeof core>['offers']>>) | null>(null);

  // Looked for once the page has been quiet for a moment.
  $effect(() => {
    void piece.page.tick;
    const timer = setTimeout(async () => {
      const { doc } = piece.page;
      const offers = await core().offers(doc.toJSON() as object);
      if (piece.page.doc === doc) found = { doc, ...offers };
    }, QUIET_MS);
    return () => clearTimeout(timer);
  });
</script>

{#if found}
  <BoldHeadings {piece} doc={found.doc} found={found.bold} />
  <Lists {piece} doc={found.doc} lists={found.lists} />
  <SameMatter {piece} doc={found.doc} found={found.same} />
  <Belonging {piece} found={found.belonging} />
{/if}
