<!-- The grade of each paragraph as a bar; those well above the aim stand out. Chart.js is fetched when first shown. -->
<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount } from 'svelte';
  import { GRADE_AIM } from '@even-page/core/language/grade';

  let { grades, onchoose }: { grades: readonly { block: string; grade: number }[]; onchoose: (block: string) => void } = $props();

  const HIGHEST = 20;
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
          onClick: (_event, [bar]) => bar && onchoose(grades[bar.index]!.block),
          scales: { x: { display: false }, y: { display: false, min: 0, max: HIGHEST } },
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
    chart.data.labels = grades.map((_, i) => i + 1);
    const [bars] = chart.data.datasets;
    bars!.data = grades.map((g) => Math.min(HIGHEST, Math.max(0.4, g.grade)));
    bars!.backgroundColor = grades.map((g) =>
      g.grade > GRADE_AIM + 2 ? colour('--brass') : `color-mix(in srgb, ${colour('--bottle')} 45%, ${colour('--leaf')})`,
    );
    chart.update();
  }

  const hard = $derived(grades.filter((g) => g.grade > GRADE_AIM + 2).length);
</script>

<div class="chart" role="img" aria-label="Reading grade of {grades.length} paragraphs; {hard} read well above grade {GRADE_AIM}">
  <canvas bind:this={canvas}></canvas>
  <div class="aim" style="bottom:{(100 * GRADE_AIM) / HIGHEST}%"><span>grade {GRADE_AIM}, the aim</span></div>
</div>

<style>
  .chart {
    position: relative;
    height: 84px;
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
