/**
 * The chance that of `n` tries at least `k` come out, each with chance `p` (the upper tail of the binomial distribution).
 * Summed from the term of `k` up, each from the one before.
 */
export function atLeast(k: number, n: number, p: number): number {
  if (k <= 0) return 1;
  if (p <= 0 || k > n) return 0;
  if (p >= 1) return 1;
  let log = k * Math.log(p) + (n - k) * Math.log1p(-p);
  for (let i = 1; i <= k; i++) log += Math.log((n - k + i) / i);
  let term = Math.exp(log);
  let sum = 0;
  for (let i = k; i <= n && (term > sum * 1e-12 || i <= n * p); i++) {
    sum += term;
    term *= ((n - i) / (i + 1)) * (p / (1 - p));
  }
  return Math.min(1, sum);
}
