const LOOKED_BACK = 1200;
const TIMES = 5;
const SHORTEST = 8;

/** Whether a text that is still being written goes round in a circle: its end says the same five times in a row. */
export function repeats(text: string): boolean {
  // Looked at now and then: a circle goes on.
  if (text.length < LOOKED_BACK / 2) return false;
  const end = text.slice(-LOOKED_BACK);
  for (let length = SHORTEST; length * TIMES <= end.length; length++) {
    const last = end.slice(-length);
    if (!/\p{L}/u.test(last)) continue;
    let n = 1;
    while (n < TIMES && end.slice(-length * (n + 1), -length * n) === last) n++;
    if (n === TIMES) return true;
  }
  return false;
}
