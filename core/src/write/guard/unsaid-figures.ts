import { type Figure, figuresIn } from '../../language/figures.ts';
import { stem } from '../../language/terms.ts';
import { type Alignment, placeThere } from './alignment.ts';
import { type Known, measureOf, witnesses } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';

// Values are the same within half a per cent: half a pound is rounded.
const SAME = 0.005;

const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= Math.max(Math.abs(a), Math.abs(b)) * SAME;

/** Whether a figure says what another says, as far as units tell. */
function says(f: Figure, g: Figure): boolean {
  if (f.isMeasure && g.isMeasure) return f.unit === g.unit && isNear(f.value, g.value);
  return f.told === g.told;
}

// So near to a figure must stand what both have.
const REACH = 2;

/** Figures nobody said, or that were said of something else, or where another is said. */
export function unsaidFigures(statement: Statement, known: Known, aligned: Alignment | null): Doubt[] {
  const { text } = statement;
  const figures = figuresIn(text).filter((figure) => !figure.isPlain);
  const there = aligned && figures.length ? figuresIn(aligned.text) : [];
  return figures.flatMap((figure): Doubt[] => {
    if (known.ownFigures.some((g) => says(figure, g))) return [];
    const place = aligned && placeThere(aligned, figure.from, figure.to, REACH);
    const [from, to] = [place?.[0]?.from ?? 0, place?.at(-1)?.to ?? 0];
    // A sign of money stands before its word.
    const instead = there.filter((g) => g.from >= from - 2 && g.from < to);
    const at = witnesses(known, statement, figure.text);
    const isThere = !instead.length || instead.some((g) => says(figure, g));
    // What says nothing else can only be held against all that was said of so much, or in that measure.
    const heard = (at.length ? at : alike(figure, known)).flatMap((n) => known.figures[n]!.map((g) => ({ g, said: known.said[n]! })));
    if (isThere && (isSaid(figure, heard) || (!statement.rests.length && isSaidAnywhere(figure, known)))) return [];
    const elsewhere = (known.told.get(figure.told) ?? []).find((n) =>
      known.figures[n]!.some((g) => says(figure, g) && (figure.isMeasure || g.unit === figure.unit)),
    );
    return [
      {
        kind: 'figure',
        from: figure.from,
        to: figure.to,
        says: figure.text,
        elsewhere: elsewhere ?? null,
        near: measured(figure, at, known),
      },
    ];
  });
}

// Told in words and of nothing measured, these are rather how one speaks than what was counted.
const IN_PASSING = /^(?:two|three|half|both|couple|pair|once|twice)$/i;

/** Whether a figure is said of anything: where it is not known what a sentence rests on, it may rest on that. */
const isSaidAnywhere = (f: Figure, { told, measures, figures }: Known): boolean =>
  (!f.isMeasure && IN_PASSING.test(f.text)) ||
  (told.get(f.told) ?? []).some((n) => figures[n]!.some((g) => g.told === f.told && !(f.isMeasure && g.isMeasure && g.unit !== f.unit))) ||
  (measures.get(measureOf(f)) ?? []).some((n) => figures[n]!.some((g) => says(f, g)));

const alike = (f: Figure, { told, measures }: Known): number[] => [
  ...new Set([...(told.get(f.told) ?? []), ...(measures.get(measureOf(f)) ?? [])]),
];

type Heard = { g: Figure; said: ReadonlySet<string> };

/** Whether a figure is among those heard: with its unit, or, where the unit was left out, without another. */
function isSaid(f: Figure, heard: readonly Heard[]): boolean {
  const same = heard.filter(({ g }) => says(f, g));
  if (!f.isMeasure) return same.some(({ g, said }) => !g.isMeasure || f.unit === '' || [...said].some((word) => stem(word) === f.unit));
  if (same.some(({ g }) => g.isMeasure)) return true;
  return same.length > 0 && !heard.some(({ g }) => g.isMeasure && g.unit !== f.unit && g.told === f.told);
}

/** Where the material gives a figure of the same measure: what it says of this first, then what it says anywhere. */
function measured(f: Figure, near: readonly number[], known: Known): number[] {
  const all = f.unit ? (known.measures.get(measureOf(f)) ?? []) : [];
  const like = new Set(all);
  return [...near.filter((n) => like.has(n)), ...all].slice(0, 2);
}
