/** One figure of the benchmarks: what was measured, what it may be at most or should be at least, and what it is held against. */
export type Figure = { what: string; value: number; unit: string; most?: number; least?: number; against: string };

/** Whether a figure is as good as it should be. */
export const isMet = ({ value, most = Infinity, least = -Infinity }: Figure): boolean => value <= most && value >= least;

/** The median time of some runs of `work`, in milliseconds. */
export async function medianMs(runs: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return quantile(times, 0.5);
}

/** The value that a share of all values does not exceed. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
}

const show = (n: number) => (n >= 100 ? n.toFixed(0) : n >= 10 ? n.toFixed(1) : n.toFixed(2));

/** The figures as a Markdown table. */
export function table(figures: readonly Figure[]): string {
  const rows = figures.map((figure) => {
    const { what, value, unit, most, least, against } = figure;
    const wanted = most !== undefined ? `at most ${show(most)} ${unit}` : least !== undefined ? `at least ${show(least)} ${unit}` : '';
    const verdict = wanted ? (isMet(figure) ? 'met' : '**missed**') : '';
    return `| ${what} | ${show(value)} ${unit} | ${wanted} | ${verdict} | ${against} |`;
  });
  return ['| what | measured | wanted | | beside it in the same run |', '| --- | --- | --- | --- | --- |', ...rows].join('\n');
}
