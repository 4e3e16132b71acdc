<!-- What the material says that no paragraph comes from. -->
<script lang="ts">
  import { showTime } from '@even-page/core/language/times';
  import { count } from '$lib/parts/sizes.ts';
  import type { Piece } from '../piece.svelte.ts';

  let { piece }: { piece: Piece } = $props();

  const MOST_SHOWN = 60;
  const unused = $derived(
    piece.sources.flatMap((s) =>
      s.source.passages.flatMap((p, n) => (piece.usedPassages.get(s.id)?.has(n) ? [] : [{ source: s.id, n, ...p }])),
    ),
  );
</script>

<div class="bar head">
  <h2>Passages</h2>
  <span class="muted">{unused.length ? `${count(unused.length, 'passage')} not used yet` : 'every passage is used'}</span>
</div>
{#each unused.slice(0, MOST_SHOWN) as p (p.source + p.n)}
  <div class="psg">
    <span class="mono">{p.startMs === undefined ? p.n + 1 : showTime(p.startMs)}</span><span>{p.text.replace(/\s+/g, ' ')}</span>
  </div>
{/each}
{#if unused.length > MOST_SHOWN}<p class="note">and {count(unused.length - MOST_SHOWN, 'more passage')}</p>{/if}

<style>
  .head {
    border-bottom-style: dotted;
  }
  .psg {
    display: grid;
    grid-template-columns: 44px minmax(0, 1fr);
    gap: 10px;
    padding: 7px 20px;
    font: 15px/1.5 var(--serif);
  }
  .mono {
    padding-top: 4px;
    color: var(--slate);
  }
</style>
