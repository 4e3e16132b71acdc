import { dice } from '../../language/dice.ts';
import { terms } from '../../language/terms.ts';

// From here on two lines are about the same (own choice, tried on the demo's titles).
const NEAR = 0.5;

/** For each line the title most like it, if one says nearly the same. */
export function nearDoubles(lines: readonly string[], titles: readonly string[]): (string | null)[] {
  const known = titles.map((title) => ({ title, stems: new Set(terms(title)) }));
  return lines.map((line) => {
    const own = new Set(terms(line));
    if (!own.size) return null;
    let [best, most]: [string | null, number] = [null, NEAR];
    for (const { title, stems } of known) {
      const like = dice(own, stems);
      if (like >= most) [best, most] = [title, like + 1e-9];
    }
    return best;
  });
}

/** The lines of a list a drafter answered with: bullets, numbers and quotation marks off. */
export function linesOf(answer: string): string[] {
  return answer
    .split('\n')
    .map((line) => /^\s*(?:[-*+•]|\d+[.)])\s+(.*)$/.exec(line)?.[1] ?? '')
    .map((line) =>
      line
        .replace(/\s*\[(?:p\d+|none)[^\]]*\]\s*$/i, '')
        .replace(/\\([\\`*_[\]#.!-])/g, '$1')
        .replace(/^["“*]+|["”*]+$/g, '')
        .trim(),
    )
    .filter(Boolean);
}
