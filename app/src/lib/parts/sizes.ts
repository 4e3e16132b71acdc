/** A weight in bytes as people read it: 412 kB, 1.2 MB (decimal units). */
export function sayBytes(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1_000_000) return `${Math.round(bytes / 1000)} kB`;
  return `${(bytes / 1_000_000).toFixed(1)} MB`;
}

const FIGURES = new Intl.NumberFormat('en');

/** A number as people read it: 1,240. */
export const figure = (n: number): string => FIGURES.format(n);

/** A count with its noun: 1 word, 1,240 words. */
export function count(n: number, noun: string): string {
  return `${figure(n)} ${noun}${n === 1 ? '' : 's'}`;
}
