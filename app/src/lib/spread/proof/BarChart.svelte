<!-- Figures as bars, with what is aimed at as a line; those over a limit stand out. Chart.js is fetched when first shown. -->
<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount } from 'svelte';

  /** A bar: its figure, and whether it stands out. */
  type Bar = { value: number; isOver: boolean };
  let {
    bars,
    aim,
    aimSays,
    highest,
    label,
    height = 84,
    onchoose,
  }: {
    bars: readonly Bar[];
    aim: number;
    aimSays: string;
    /** Where the picture ends; bars that are longer end there too. */
    highest: number;
    /** What the bars are, for those who do not see them. */
    label: string;
    height?: number;
    onchoose: (n: number) => void;
  } = $props();

  let canvas: HTMLCanvasElement;
  let chart = $state.raw<Chart | null>(null);

  onMount(() => {
    let gone = false;
    const mode = new MutationObserver(() => chart && paint(chart));
    void import('chart.js').then(({ Chart, BarController, BarElement, CategoryScale, LinearScale }) => {
      if (gone) return;
      Chart.register(BarController, BarElement, CategoryScale, LinearScale);
      chart = new Chart(canvas, {
        type: 'bar',
        data: { labels: [], datasets: [{ data: [], borderRadius: 1, barPercentage: 0.9, categoryPercentage: 0.9 }] },
        options: {
          animation: false,
          maintainAspectRatio: false,
          events: ['click'],
          onClick: (_event, [bar]) => bar && onchoose(bar.index),
          scales: { x: { display: false }, y: { display: false, min: 0, max: 1 } },
        },
      });
      mode.observe(document.documentElement, { attributeFilter: ['data-mode'] });
    });
    return () => {
      gone = true;
      mode.disconnect();
      chart?.destroy();
    };
  });

  $effect(() => {
    if (chart) paint(chart);
  });

  function paint(chart: Chart) {
    const colour = (name: string) => getComputedStyle(canvas).getPropertyValue(name).trim();
    chart.data.labels = bars.map((_, i) => i + 1);
    const [drawn] = chart.data.datasets;
    drawn!.data = bars.map(({ value }) => Math.min(1, Math.max(0.02, value / highest)));
    drawn!.backgroundColor = bars.map(({ isOver }) =>
      isOver ? colour('--brass') : `color-mix(in srgb, ${colour('--bottle')} 45%, ${colour('--leaf')})`,
    );
    chart.update();
  }
</script>

<div class="chart" role="img" aria-label={label} style="height:{height}px">
  <canvas bind:this={canvas}></canvas>
  <div class="aim" style="bottom:{Math.min(100, (100 * aim) / highest)}%"><span>{aimSays}</span></div>
</div>

<style>
  .chart {
    position: relative;
    margin: 10px 20px 4px;
  }
  .aim {
    position: absolute;
    left: 0;
    right: 0;
    border-top: 1.5px dashed var(--bottle);
    pointer-events: none;
  }
  .aim span {
    position: absolute;
    right: 0;
    bottom: 1px;
    padding: 0 4px;
    font-size: 12px;
    color: var(--faded);
    background: color-mix(in srgb, var(--leaf) 80%, transparent);
  }
</style>
