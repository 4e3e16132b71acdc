// Fits what speaks for a heading: npx tsx core/training/headings.ts   writes core/src/shape/talk-headings/weights.ts
// Ridge regression by gradient steps: from the features of a candidate to how well its stems agree with those of the
// editor's heading (F of the two sets), each section weighing the same.
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { stem, isContentWord } from '../src/language/terms.ts';
import { words } from '../src/language/words.ts';
import { readSubjects } from '../src/shape/cut/subjects.ts';
import { headingCandidates, talkTerms, type HeadedSentence } from '../src/shape/talk-headings/candidates.ts';
import { asWritten } from '../src/tidy/wording/written.ts';
import { readWorth } from '../src/tidy/wording/worth.ts';
import { sectioned, type Part } from './told.ts';

const subjects = readSubjects(readFileSync(new URL('../data/subjects.bin', import.meta.url)));
const worth = readWorth(readFileSync(new URL('../data/worth.bin', import.meta.url)));
const stemsOf = (text: string) => new Set(words(text).filter((w) => isContentWord(w.text) || /^[a-z]{3,}$/.test(w.text)).filter((w) => !SMALL.has(w.text.toLowerCase())).map((w) => stem(w.text)));
const SMALL = new Set('the and for are its with you your our this that how what why when does not from into out off over'.split(' '));

type Headed = { candidates: ReturnType<typeof headingCandidates>; heading: string };

export function headed(part: Part): Headed[] {
  return sectioned(part).flatMap((talk) => {
    const written = asWritten(
      talk.sentences.map((s, i) => ({ sentences: [{ text: s.text, first: 0, last: 0, from: i, to: i + 1 }], ...(s.speaker ? { speaker: s.speaker } : {}) })),
      {},
      worth,
    );
    const all = written.paragraphs.map(({ sentences: [s] }): HeadedSentence => ({ said: s!.wording!.said, text: s!.text, worth: s!.wording!.worth }));
    const parts = talk.sections.map((s, i) => all.slice(s.from, talk.sections[i + 1]?.from ?? all.length));
    const terms = talkTerms(parts);
    return talk.sections.flatMap(({ role, heading }, i) => (role === 'body' ? [{ candidates: headingCandidates(parts[i]!, terms, subjects), heading }] : []));
  });
}

function agreement(a: Set<string>, b: Set<string>): number {
  const both = [...a].filter((s) => b.has(s)).length;
  return both ? 0.4 + (1.2 * both) / (a.size + b.size) : 0;
}

function fitted(sections: readonly Headed[], hold: number): Record<string, number> {
  const rows = sections.flatMap(({ candidates, heading }) => {
    const own = stemsOf(heading);
    return candidates.map((c) => ({ features: c.features, y: agreement(stemsOf(c.text), own), weight: 1 / candidates.length }));
  });
  const weights: Record<string, number> = { bias: 0 };
  const squares: Record<string, number> = {};
  for (let round = 0; round < 60; round++) {
    for (let i = 0; i < rows.length; i++) {
      const { features, y, weight } = rows[(i * 7919) % rows.length]!;
      let sum = weights.bias!;
      for (const name in features) sum += (weights[name] ?? 0) * features[name]!;
      // The best of a section matter most: an agreement found is worth more than one missed.
      const wrong = (sum - y) * weight * 60 * (y > 0 ? 3 : 1);
      for (const name of ['bias', ...Object.keys(features)]) {
        const slope = wrong * (name === 'bias' ? 1 : features[name]!) + hold * (weights[name] ?? 0);
        squares[name] = (squares[name] ?? 0) + slope * slope;
        weights[name] = (weights[name] ?? 0) - (0.05 * slope) / Math.sqrt(squares[name]! + 1);
      }
    }
  }
  return Object.fromEntries(Object.entries(weights).map(([name, w]) => [name, Math.round(w * 1000) / 1000]));
}

function measured(sections: readonly Headed[], weights: Record<string, number>, show = false): string {
  let first = 0, three = 0, possible = 0;
  for (const { candidates, heading } of sections) {
    const own = stemsOf(heading);
    const score = (c: Headed['candidates'][number]) => Object.entries(c.features).reduce((sum, [name, x]) => sum + (weights[name] ?? 0) * x, weights.bias!);
    const ranked = [...candidates].sort((a, b) => score(b) - score(a)).slice(0, 3);
    const shares = (c: { text: string }) => [...stemsOf(c.text)].some((s) => own.has(s));
    if (ranked[0] && shares(ranked[0])) first++;
    if (ranked.some(shares)) three++;
    if (candidates.some(shares)) possible++;
    if (show) console.log(`${heading}  <=  ${ranked.map((c) => `${c.text} (${score(c).toFixed(2)})`).join(' | ')}`);
  }
  const pc = (n: number) => `${((100 * n) / sections.length).toFixed(1)} %`;
  return `first ${pc(first)}, one of three ${pc(three)}, possible ${pc(possible)} of ${sections.length}`;
}

const parts = { on: headed('written on'), chosen: headed('chosen on'), measured: headed('measured') };
for (const hold of [0.001, 0.01]) {
  const weights = fitted(parts.on, hold);
  console.log(hold, 'written on:', measured(parts.on, weights), 'chosen on:', measured(parts.chosen, weights, process.argv.includes('--show') && hold === 0.001));
}
const weights = fitted([...parts.on, ...parts.chosen], 0.001);
console.log('measured:', measured(parts.measured, weights));
const text = `// Made by core/training/headings.ts: what each feature of a candidate adds to how well it is expected to agree with an editor's.
export const HEADING_WEIGHTS: Readonly<Record<string, number>> = ${JSON.stringify(weights)};
`;
writeFileSync(new URL('../src/shape/talk-headings/weights.ts', import.meta.url), await format(text, { parser: 'typescript', singleQuote: true, printWidth: 140 }));
