<!-- Lines in bold that could be headings: all made so with one click, or left as they are. -->
<script lang="ts">
  import { type BoldHeading, withBoldHeadings } from '@even-page/core/shape';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';
  import Offer from './Offer.svelte';

  let {
    piece,
    doc,
    found,
  }: { piece: Piece; /** The page they were found on. */ doc: Piece['page']['doc']; found: readonly BoldHeading[] } = $props();

  let kept = $state(false);

  function make() {
    if (piece.page.doc === doc) piece.page.replacePage(withBoldHeadings(piece.page.doc, found));
  }
</script>

{#if found.length && !kept}
  <Offer label="{count(found.length, 'line')} in bold could be headings">
    <li>
      {#each found as heading (heading.id)}<button class="said" onclick={() => piece.page.goToBlock(heading.id)}>{heading.text}</button
        >{/each}
      <div class="acts">
        <button class="quiet" onclick={make}>Make them headings</button>
        <button class="quiet" onclick={() => (kept = true)}>Keep as they are</button>
      </div>
    </li>
  </Offer>
{/if}

<style>
  .said {
    font-weight: 600;
  }
</style>
