/** Dice's coefficient of two sets, 0 (nothing shared) to 1 (the same): twice the shared over the sum (Dice 1945). */
export function dice<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): number {
  let shared = 0;
  for (const one of a) if (b.has(one)) shared++;
  return diceOf(shared, a.size, b.size);
}

/** The same of sets whose sizes, and the number they share, are known. */
export const diceOf = (shared: number, a: number, b: number): number => (2 * shared) / (a + b || 1);
