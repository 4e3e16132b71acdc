<!-- Where the page goes on for long with nothing to rest the eye. -->
<script lang="ts">
  import type { Stretch } from '@even-page/core/dress';
  import Gravity from '$lib/parts/Gravity.svelte';
  import { figure } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece, stretches }: { piece: Piece; stretches: readonly Stretch[] } = $props();
</script>

{#each stretches as stretch (stretch.first)}
  <div class="item">
    <Gravity gravity="look" />
    <span
      ><b>{figure(stretch.words)} words with nothing to rest the eye</b><span class="says"
        >{stretch.section ? `Under “${stretch.section}”. ` : ''}A picture, a clip, a list or a pull quote would break it up.</span
      ></span
    >
    <button class="word" onclick={() => piece.page.goToBlock(stretch.middle)}>Show</button>
  </div>
{/each}

<style>
  .item:first-of-type {
    border-top: 1px solid var(--hair);
  }
</style>
