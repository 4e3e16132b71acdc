<!-- Sections that are so near to the one before them that they could stand under it, one level deeper. -->
<script lang="ts">
  import type { Belonging } from '@even-page/core/shape';
  import { count } from '$lib/parts/sizes.ts';
  import { indentBranch } from '../page/outline-commands.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Offer from './Offer.svelte';

  let { piece, found }: { piece: Piece; found: readonly Belonging[] } = $props();

  // Sections the writer wants where they are, for as long as this page is open.
  let kept = $state<Record<string, boolean>>({});
  const offered = $derived(found.filter((b) => !kept[b.section.id]));
</script>

{#if offered.length}
  <Offer label="{count(offered.length, 'section')} could stand under the one before">
    {#each offered as { section, under } (section.id)}
      <li>
        <button class="said" onclick={() => piece.page.goToBlock(section.id)}><b>{section.heading}</b> under {under.heading}</button>
        <div class="acts">
          <button class="quiet" onclick={() => piece.page.run(indentBranch(section.id, 1))}>Put it under</button>
          <button class="quiet" onclick={() => (kept[section.id] = true)}>Keep as it is</button>
        </div>
      </li>
    {/each}
  </Offer>
{/if}
