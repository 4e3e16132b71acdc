/** What stands for a stretch of white space when it is the thing repaired. */
export const seen = (text: string): string =>
  text
    .replace(/\n+/g, '⏎')
    .replace(/\t/g, '⇥')
    .replace(/^ +$/, (s) => '·'.repeat(s.length));
