import { readFileSync } from 'node:fs';
import { terms } from '@even-page/core/language/terms';
import { wordCount } from '@even-page/core/language/words';
import { cutting } from '../core/src/shape/cut/cutting.ts';
import { readSubjects } from '../core/src/shape/cut/subjects.ts';
import { medianMs, type Figure } from './measure.ts';
import { borderErrors, choiTexts, RANGES, talkTexts, type Joined } from './segments.ts';
import { c99, even, textTiling, u00, type Segmenter } from './segmenters.ts';

const subjects = readSubjects(readFileSync(new URL('../core/data/subjects.bin', import.meta.url)));
const unitsOf = (text: Joined) => text.units.map((u) => ({ terms: terms(u), words: wordCount(u), opensParagraph: false }));
const OTHERS: Record<string, Segmenter> = { 'even cuts': even, TextTiling: textTiling, C99: c99, U00: u00 };

// What is wanted at most, Pk in %, the number of sections not given and given.
const WANTED: Record<string, [free: number, given: number | undefined]> = {
  '3-11': [7, 5.5],
  '3-5': [6.5, 5.5],
  '6-8': [4, 3],
  '9-11': [4, 3],
  talk: [5, undefined],
};

/** How well sections are found, on texts that were put together, and how fast. */
export async function shapeFigures(): Promise<Figure[]> {
  const sets: [string, Joined[]][] = [
    ...RANGES.map((range): [string, Joined[]] => [range.join('-'), choiTexts(range, 'measured')]),
    ['talk', talkTexts('measured')],
  ];
  const figures: Figure[] = [];
  for (const [name, texts] of sets) {
    const errors = (find: (text: Joined) => number[]) => {
      const all = texts.map((text) => borderErrors(find(text), text.borders, text.units.length));
      const mean = (of: 'pk' | 'windowDiff') => (100 * all.reduce((s, e) => s + e[of], 0)) / all.length;
      return { pk: mean('pk'), windowDiff: mean('windowDiff') };
    };
    const cuts = new Map(texts.map((text) => [text, cutting(unitsOf(text), subjects)]));
    const what = name === 'talk' ? 'Borders in talk without marks' : `Borders in prose, ${name} sentences`;
    for (const isGiven of [false, true]) {
      const most = WANTED[name]![isGiven ? 1 : 0];
      const own = errors((text) => {
        const cut = cuts.get(text)!;
        return cut.cut(isGiven ? text.borders.length + 1 : cut.natural).map((b) => b.at);
      });
      const others = Object.entries(OTHERS).map(([other, find]) => {
        // U00 and C99 grow with the square of the length and more: a long talk is left to the others.
        if (name === 'talk' && (find === c99 || find === u00)) return '';
        const { pk } = errors((text) =>
          find(
            text.units.map((u) => terms(u)),
            isGiven ? text.borders.length + 1 : undefined,
          ),
        );
        return `, ${other} ${pk.toFixed(1)}`;
      });
      figures.push({
        what: `${what}, number ${isGiven ? 'given' : 'not given'}`,
        value: own.pk,
        unit: '% Pk',
        ...(most === undefined ? {} : { most }),
        against: `WindowDiff ${own.windowDiff.toFixed(1)}${others.join('')}`,
      });
    }
  }
  const said = talkTexts('measured').flatMap((t) => unitsOf(t));
  const talk = (words: number) => {
    let sum = 0;
    return said.slice(
      0,
      said.findIndex((u) => (sum += u.words) > words),
    );
  };
  const [hour, ten] = [talk(9000), talk(90_000)];
  const cut = (units: typeof said) => {
    const found = cutting(units, subjects);
    return found.cut(found.natural);
  };
  const hourMs = await medianMs(3, () => cut(hour));
  const tenMs = await medianMs(3, () => cut(ten));
  figures.push({ what: 'Sections of ten hours, 90,000 words', value: tenMs, unit: 'ms', most: 2500, against: `${ten.length} cues` });
  figures.push({
    what: 'Ten times the words',
    value: tenMs / hourMs,
    unit: 'times',
    most: 15,
    against: `one hour: ${hourMs.toFixed(0)} ms`,
  });
  return figures;
}
