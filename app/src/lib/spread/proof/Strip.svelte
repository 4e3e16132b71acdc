<!-- One measure: the pages as dots, their middle half shaded, the draft as a mark. -->
<script lang="ts">
  import { MEASURES, type Strip } from '@even-page/core/yardstick';
  import { figure } from '$lib/parts/sizes.ts';

  let { strip }: { strip: Strip } = $props();

  const { measure, pages, spread, draft, says } = $derived(strip);
  const round = $derived((n: number) => (measure === 'grade' ? n.toFixed(1) : figure(Math.round(n))));
  const most = $derived(Math.max(spread.most, draft, 1) * 1.05);
  const at = $derived((n: number) => `${(100 * Math.max(0, n)) / most}%`);
</script>

<div class="strip">
  <span>{MEASURES[measure]}</span>
  <div
    class="scale"
    role="img"
    aria-label="{MEASURES[measure]}: yours {round(draft)}; the pages {round(spread.least)} to {round(
      spread.most,
    )}, half of them between {round(spread.low)} and {round(spread.high)}{says && `; ${says}`}"
  >
    <i class="half" style="left:{at(spread.low)}; width:calc({at(spread.high)} - {at(spread.low)})"></i>
    {#each pages as page, n (n)}<i class="dot" style="left:{at(page)}"></i>{/each}
    <i class="yours" style="left:{at(draft)}"></i>
  </div>
  <b
    >{round(draft)}{#if measure === 'words'}
      <span class="muted">words</span>{/if}</b
  >
  {#if says}<small>{says}</small>{/if}
</div>

<style>
  .strip {
    display: grid;
    grid-template-columns: 128px minmax(0, 1fr) 56px;
    gap: 0 12px;
    align-items: center;
    min-height: 32px;
    padding: 2px 20px;
  }
  .scale {
    position: relative;
    height: 22px;
    margin-inline: 6px;
    background: linear-gradient(var(--hair), var(--hair)) center / 100% 1px no-repeat;
  }
  i {
    position: absolute;
  }
  .half {
    top: 4px;
    bottom: 4px;
    min-width: 2px;
    background: var(--paper-2);
  }
  .dot {
    top: 7px;
    width: 8px;
    height: 8px;
    margin-left: -4px;
    border-radius: 50%;
    background: var(--slate);
    opacity: 0.6;
  }
  .yours {
    top: 0;
    bottom: 0;
    width: 3px;
    margin-left: -1.5px;
    background: var(--bottle);
    transition: left 0.2s;
  }
  @media (prefers-reduced-motion: reduce) {
    .yours {
      transition: none;
    }
  }
  b {
    font-weight: 600;
    line-height: 1.15;
    text-align: right;
  }
  b .muted {
    display: block;
    font-weight: 400;
  }
  small {
    grid-column: 2 / -1;
    margin: -3px 6px 2px;
    color: var(--faded);
    font-size: 13px;
  }
</style>
