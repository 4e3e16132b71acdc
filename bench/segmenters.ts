/** Other ways to find borders, to stand beside ours: each takes the stems of each unit and, if it is given, the number of sections. */
export type Segmenter = (units: readonly (readonly string[])[], sections?: number) => number[];

/** Equal cuts; without a number, one every tenth of the text. */
export const even: Segmenter = (units, sections = 10) =>
  Array.from({ length: sections - 1 }, (_, i) => Math.round(((i + 1) * units.length) / sections));

function counts(units: readonly (readonly string[])[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const unit of units) for (const t of unit) found.set(t, (found.get(t) ?? 0) + 1);
  return found;
}

function cosine(a: Map<string, number>, b: Map<string, number>): number {
  let dot = 0;
  for (const [t, n] of a) dot += n * (b.get(t) ?? 0);
  const square = (m: Map<string, number>) => Array.from(m.values()).reduce((sum, n) => sum + n * n, 0);
  return dot ? dot / Math.sqrt(square(a) * square(b)) : 0;
}

/**
 * TextTiling (Hearst 1997) over whole units: blocks of six units on either side of a gap are compared; borders are the
 * gaps whose depth is over the mean less half a deviation, or the deepest of them.
 */
export const textTiling: Segmenter = (units, sections) => {
  const block = 6;
  const alike = units
    .slice(1)
    .map((_, i) => cosine(counts(units.slice(Math.max(0, i + 1 - block), i + 1)), counts(units.slice(i + 1, i + 1 + block))));
  const depth = alike.map((here, i) => {
    let [left, right] = [here, here];
    for (let j = i - 1; j >= 0 && alike[j]! >= left; j--) left = alike[j]!;
    for (let j = i + 1; j < alike.length && alike[j]! >= right; j++) right = alike[j]!;
    return left + right - 2 * here;
  });
  const peaks = depth
    .map((d, i) => ({ d, at: i + 1 }))
    .filter(({ d, at }) => d > 0 && d >= (depth[at - 2] ?? 0) && d >= (depth[at] ?? 0))
    .sort((a, b) => b.d - a.d);
  const mean = depth.reduce((s, d) => s + d, 0) / Math.max(1, depth.length);
  const deviation = Math.sqrt(depth.reduce((s, d) => s + (d - mean) ** 2, 0) / Math.max(1, depth.length));
  const kept = sections === undefined ? peaks.filter(({ d }) => d > mean - deviation / 2) : peaks.slice(0, sections - 1);
  return kept.map(({ at }) => at).sort((a, b) => a - b);
};

/** C99 (Choi 2000): ranks of similarities in an 11 by 11 mask, then cuts that make the inside of the blocks densest. */
export const c99: Segmenter = (units, sections) => {
  const n = units.length;
  const bags = units.map((u) => counts([u]));
  const alike = bags.map((a) => bags.map((b) => cosine(a, b)));
  const reach = 5;
  const rank = alike.map((row, i) =>
    row.map((here, j) => {
      let [lower, all] = [0, 0];
      for (let y = Math.max(0, i - reach); y <= Math.min(n - 1, i + reach); y++) {
        for (let x = Math.max(0, j - reach); x <= Math.min(n - 1, j + reach); x++) {
          if (y === i && x === j) continue;
          all++;
          if (alike[y]![x]! < here) lower++;
        }
      }
      return lower / Math.max(1, all);
    }),
  );
  // Sums over squares of the diagonal, by sums over rectangles from the corner.
  const corner = Array.from({ length: n + 1 }, () => new Float64Array(n + 1));
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) corner[i + 1]![j + 1] = rank[i]![j]! + corner[i]![j + 1]! + corner[i + 1]![j]! - corner[i]![j]!;
  const inside = (a: number, b: number) => corner[b]![b]! - corner[a]![b]! - corner[b]![a]! + corner[a]![a]!;
  const edges = [0, n];
  const order: number[] = [];
  const density: number[] = [inside(0, n) / n ** 2];
  while (order.length < Math.min(n - 1, sections === undefined ? 40 : sections - 1)) {
    let best = { at: -1, value: -1 };
    const [sum, area] = edges.slice(1).reduce(([s, a], to, i) => [s + inside(edges[i]!, to), a + (to - edges[i]!) ** 2], [0, 0]);
    for (let at = 1; at < n; at++) {
      const next = edges.findIndex((e) => e >= at);
      if (edges[next] === at) continue;
      const [from, to] = [edges[next - 1]!, edges[next]!];
      const value =
        (sum - inside(from, to) + inside(from, at) + inside(at, to)) / (area - (to - from) ** 2 + (at - from) ** 2 + (to - at) ** 2);
      if (value > best.value) best = { at, value };
    }
    edges.splice(
      edges.findIndex((e) => e > best.at),
      0,
      best.at,
    );
    order.push(best.at);
    density.push(best.value);
  }
  if (sections !== undefined) return [...order].sort((a, b) => a - b);
  // Cuts go on while the gain in density is over its mean and 1.2 deviations.
  const gains = density.slice(1).map((d, i) => d - density[i]!);
  const mean = gains.reduce((s, g) => s + g, 0) / gains.length;
  const deviation = Math.sqrt(gains.reduce((s, g) => s + (g - mean) ** 2, 0) / gains.length);
  const last = gains.findLastIndex((g) => g > mean + 1.2 * deviation);
  return order.slice(0, last + 1).sort((a, b) => a - b);
};

/** U00 (Utiyama and Isahara 2001): the cheapest way to write the text down, with counts smoothed by one and log n for each section. */
export const u00: Segmenter = (units, sections) => {
  const n = units.length;
  const total = units.reduce((s, u) => s + u.length, 0);
  const kinds = counts(units).size;
  const cost = units.map((_, i) => {
    const seen = new Map<string, number>();
    let words = 0;
    return units.slice(i).map((unit) => {
      for (const t of unit) seen.set(t, (seen.get(t) ?? 0) + 1);
      words += unit.length;
      let sum = 0;
      for (const c of seen.values()) sum += c * Math.log((words + kinds) / (c + 1));
      return sum + Math.log(Math.max(2, total));
    });
  });
  const most = sections ?? n;
  let best = new Float64Array(n + 1).fill(Infinity);
  best[0] = 0;
  if (sections === undefined) {
    const from = new Int32Array(n + 1);
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j <= n; j++) {
        const value = best[i]! + cost[i]![j - i - 1]!;
        if (value < best[j]!) [best[j], from[j]] = [value, i];
      }
    const found: number[] = [];
    for (let j = from[n]!; j > 0; j = from[j]!) found.unshift(j);
    return found;
  }
  const back: Int32Array[] = [];
  for (let s = 0; s < most; s++) {
    const next = new Float64Array(n + 1).fill(Infinity);
    const from = new Int32Array(n + 1);
    for (let i = s; i < n; i++)
      for (let j = i + 1; j <= n; j++) {
        const value = best[i]! + cost[i]![j - i - 1]!;
        if (value < next[j]!) [next[j], from[j]] = [value, i];
      }
    back.push(from);
    best = next;
  }
  const found: number[] = [];
  for (let s = most - 1, j = n; s > 0; s--) found.unshift((j = back[s]![j]!));
  return found;
};
