/** How figures lie: the least and the most, the middle one, and the middle half between `low` and `high`. */
export type Spread = { least: number; low: number; middle: number; high: number; most: number };

/** The quantile of sorted figures, between two of them in proportion (Hyndman and Fan 1996, definition 7). */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const below = Math.floor(at);
  const [a, b] = [sorted[below] ?? 0, sorted[Math.min(below + 1, sorted.length - 1)] ?? 0];
  return a + (b - a) * (at - below);
}

/** The spread of some figures; all nothing where there are none. */
export function spreadOf(figures: readonly number[]): Spread {
  const sorted = [...figures].sort((a, b) => a - b);
  return {
    least: sorted[0] ?? 0,
    low: quantile(sorted, 0.25),
    middle: quantile(sorted, 0.5),
    high: quantile(sorted, 0.75),
    most: sorted.at(-1) ?? 0,
  };
}
