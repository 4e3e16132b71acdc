<!-- The spirit level: the nearer the bubble is to the middle, the better the post balances. -->
<script lang="ts">
  import { evennessOf } from '@even-page/core/shape';

  let { words }: { words: readonly number[] } = $props();

  const level = $derived(evennessOf(words));
  // The bubble swims towards the heavier end; an uneven post makes it swing further.
  const place = $derived(50 + Math.max(-38, Math.min(38, level.tip * 76)));
  const tips = $derived(Math.abs(level.tip) < 0.08 ? 'balanced' : level.tip > 0 ? 'heavier towards the end' : 'heavier towards the start');
</script>

{#if level.evenness !== null}
  <div class="level" title="Evenness {level.evenness.toFixed(2)} of 1, {tips}">
    <div class="vial" aria-hidden="true"><i style="left:{place}%"></i></div>
    <span>even {level.evenness.toFixed(2)}<span class="sr">, {tips}</span></span>
  </div>
{/if}

<style>
  .level {
    position: absolute;
    left: 50%;
    bottom: 10px;
    z-index: 3;
    width: 104px;
    margin-left: -52px;
    text-align: center;
  }
  .vial {
    position: relative;
    height: 20px;
    border-radius: 10px;
    background: linear-gradient(var(--bottle-tint), var(--leaf));
    border: 1.5px solid var(--bottle);
  }
  .vial::before {
    content: '';
    position: absolute;
    inset: 0;
    left: 50%;
    width: 28px;
    margin-left: -14px;
    border-inline: 1.5px solid var(--bottle);
  }
  i {
    position: absolute;
    top: 3px;
    width: 22px;
    height: 11px;
    margin-left: -11px;
    border-radius: 8px;
    background: var(--leaf);
    border: 1.5px solid var(--bottle);
    transition: left 0.35s ease-out;
  }
  .level > span {
    display: inline-block;
    margin-top: 3px;
    padding: 0 4px;
    border-radius: 3px;
    font-size: 12px;
    color: var(--faded);
    background: var(--paper-2);
  }
</style>
