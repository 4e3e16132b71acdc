/** Precision, recall and their harmonic mean (van Rijsbergen 1979), each from 0 to 1. */
export type Score = { precision: number; recall: number; f1: number };

/** How well what was found fits what was wanted, place by place. */
export function score(found: readonly boolean[], wanted: readonly boolean[]): Score {
  let hits = 0;
  let all = 0;
  let right = 0;
  wanted.forEach((is, i) => {
    if (is) right++;
    if (found[i]) all++;
    if (is && found[i]) hits++;
  });
  return { precision: all ? hits / all : 1, recall: right ? hits / right : 1, f1: all + right ? (2 * hits) / (all + right) : 1 };
}
