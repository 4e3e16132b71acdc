<!-- Parts a post often has besides its sections, each made of what stands on the page with one click. -->
<script lang="ts">
  import { withIds } from '@even-page/core/post/ids';
  import { docFromJSON } from '@even-page/core/post/schema';
  import { STANDING_PARTS, type StandingPart } from '@even-page/core/shape/standing/parts';
  import { newBlockId } from '$lib/block-id.ts';
  import { core } from '$lib/workers/core.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  let says = $state('');
  const SORRY: Record<StandingPart, string> = {
    keyPoints: 'No sentence under a heading says enough by itself.',
    questions: 'Nothing is asked and answered on the page.',
  };
  const parts = $derived(
    Object.entries(STANDING_PARTS).map(([name, { heading }]) => ({
      name: name as StandingPart,
      heading,
      isThere: piece.sections.some((s) => s.heading === heading),
    })),
  );

  async function put(name: StandingPart) {
    const before = piece.doc;
    const found = await core().withStandingPart(before.toJSON(), name);
    // What was typed meanwhile is not written over.
    if (piece.doc !== before) return;
    says = found ? '' : SORRY[name];
    if (found) piece.replacePage(withIds(docFromJSON(found), newBlockId));
  }
</script>

<div class="parts">
  <span class="muted">Standing parts</span>
  {#each parts as part (part.name)}
    <button class="quiet" onclick={() => void put(part.name)}>{part.heading}{part.isThere ? ' anew' : ''}</button>
  {/each}
  {#if says}<p class="muted" role="status">{says}</p>{/if}
</div>

<style>
  .parts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    padding: 10px 20px;
    border-bottom: 1px solid var(--hair);
    font-size: 14px;
  }
  p {
    flex-basis: 100%;
    margin: 0;
  }
</style>
