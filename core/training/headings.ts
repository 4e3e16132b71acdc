// Fits what speaks for a heading: npx tsx core/training/headings.ts   writes core/src/shape/talk-headings/weights.ts
// Ridge regression by gradient steps: from the features of a candidate to how well its stems agree with those of the
// editor's heading (F of the two sets), each section weighing the same.
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { stem, isContentWord, terms } from '../src/language/terms.ts';
import { words, wordCount } from '../src/language/words.ts';
import { cutTalk, sectionsOfTalk } from '../src/shape/cut/talk.ts';
import { isOut } from '../src/tidy/prose.ts';
import { readSubjects } from '../src/shape/cut/subjects.ts';
import { headingCandidates, stemFeatures, talkTerms, type HeadedSentence, type TalkTerms } from '../src/shape/talk-headings/candidates.ts';
import { asWritten } from '../src/tidy/wording/written.ts';
import { readWorth } from '../src/tidy/wording/worth.ts';
import { proposeTalkHeadings } from '../src/shape/talk-headings/talk-headings.ts';
import { sectioned, type Part } from './told.ts';

const subjects = readSubjects(readFileSync(new URL('../data/subjects.bin', import.meta.url)));
const worth = readWorth(readFileSync(new URL('../data/worth.bin', import.meta.url)));
const stemsOf = (text: string) =>
  new Set(
    words(text)
      .filter((w) => isContentWord(w.text) || /^[a-z]{3,}$/.test(w.text))
      .filter((w) => !SMALL.has(w.text.toLowerCase()))
      .map((w) => stem(w.text)),
  );
const SMALL = new Set('the and for are its with you your our this that how what why when does not from into out off over'.split(' '));

type Headed = {
  sentences: HeadedSentence[];
  talk: number;
  terms: TalkTerms;
  heading: string;
  candidates: ReturnType<typeof headingCandidates>;
};

export function headed(part: Part, asCut: boolean): Headed[] {
  return sectioned(part).flatMap((talk) => {
    const written = asWritten(
      talk.sentences.map((s, i) => ({
        sentences: [{ text: s.text, first: 0, last: 0, from: i, to: i + 1 }],
        ...(s.speaker ? { speaker: s.speaker } : {}),
      })),
      {},
      worth,
    );
    const all = written.paragraphs.map(({ sentences: [s] }): HeadedSentence => ({
      said: s!.wording!.said,
      text: s!.text,
      worth: s!.wording!.worth,
    }));
    // Sections as they are cut, each with the heading of the editor's section it shares most with; and the editor's own.
    const units = talk.sentences.map((s, i) => ({
      ...s,
      opensParagraph: false,
      terms: terms(s.text),
      words: isOut(written.paragraphs[i]!.sentences[0]!) ? 0 : wordCount(written.paragraphs[i]!.sentences[0]!.text),
    }));
    const cut = [0, ...cutTalk(units, sectionsOfTalk(units.reduce((sum, u) => sum + u.words, 0)), subjects).map((b) => b.at), all.length];
    const ours = cut.slice(0, -1).map((from, i) => ({ from, to: cut[i + 1]! }));
    const theirs = talk.sections.map((s, i) => ({ from: s.from, to: talk.sections[i + 1]?.from ?? all.length }));
    const partsOf = (edges: readonly { from: number; to: number }[]) => edges.map((e) => all.slice(e.from, e.to));
    const found: Headed[] = [];
    for (const edges of asCut ? [ours] : [theirs]) {
      const parts = partsOf(edges);
      const known = talkTerms(parts);
      talk.sections.forEach(({ role, heading }, i) => {
        if (role !== 'body') return;
        const shared = edges.map((e) => Math.min(e.to, theirs[i]!.to) - Math.max(e.from, theirs[i]!.from));
        const best = shared.indexOf(Math.max(...shared));
        found.push({ sentences: parts[best]!, talk: Number(talk.number), terms: known, heading, candidates: [] });
      });
    }
    return found;
  });
}

function agreement(a: Set<string>, b: Set<string>): number {
  const both = [...a].filter((s) => b.has(s)).length;
  return both ? 0.7 + (0.6 * both) / (a.size + b.size) : 0;
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
  let first = 0,
    three = 0,
    possible = 0;
  for (const { candidates, heading } of sections) {
    const own = stemsOf(heading);
    const score = (c: Headed['candidates'][number]) =>
      Object.entries(c.features).reduce((sum, [name, x]) => sum + (weights[name] ?? 0) * x, weights.bias!);
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

/** How the headings proposed do, talk by talk. */
function proposed(sections: readonly Headed[]): string {
  let first = 0;
  let three = 0;
  for (const talk of new Set(sections.map((s) => s.talk))) {
    const own = sections.filter((s) => s.talk === talk);
    proposeTalkHeadings(
      own.map((s) => s.sentences),
      subjects,
    ).forEach(({ headings }, i) => {
      const theirs = stemsOf(own[i]!.heading);
      const shares = (text: string) => [...stemsOf(text)].some((s) => theirs.has(s));
      if (shares(headings[0]!)) first++;
      if (headings.some(shares)) three++;
    });
  }
  return `proposed: first ${((100 * first) / sections.length).toFixed(1)} %, one of three ${((100 * three) / sections.length).toFixed(1)} %`;
}

/** Logistic regression: which stems of a section stand in its heading. */
function fittedStems(sections: readonly Headed[]): Record<string, number> {
  const rows = sections.flatMap(({ sentences, terms, heading }) => {
    const own = stemsOf(heading);
    return [...stemFeatures(sentences, terms, subjects)].map(([s, features]) => ({ features, y: own.has(s) ? 1 : 0 }));
  });
  const weights: Record<string, number> = { bias: -3 };
  const squares: Record<string, number> = {};
  for (let round = 0; round < 15; round++) {
    for (let i = 0; i < rows.length; i++) {
      const { features, y } = rows[(i * 7919) % rows.length]!;
      let sum = weights.bias!;
      for (const name in features) sum += (weights[name] ?? 0) * features[name]!;
      const wrong = 1 / (1 + Math.exp(-sum)) - y;
      for (const name of ['bias', ...Object.keys(features)]) {
        const slope = wrong * (name === 'bias' ? 1 : features[name]!) + 1e-4 * (weights[name] ?? 0);
        squares[name] = (squares[name] ?? 0) + slope * slope;
        weights[name] = (weights[name] ?? 0) - (0.1 * slope) / Math.sqrt(squares[name]! + 1);
      }
    }
  }
  return Object.fromEntries(Object.entries(weights).map(([name, w]) => [name, Math.round(w * 1000) / 1000]));
}

const withCandidates = (sections: readonly Headed[], stems: Record<string, number>): Headed[] =>
  sections.map((s) => ({ ...s, candidates: headingCandidates(s.sentences, s.terms, subjects, stems) }));

const parts = {
  on: [...headed('written on', false), ...headed('written on', true)],
  chosen: headed('chosen on', true),
  measured: headed('measured', true),
};
const stemsOn = fittedStems(parts.on);
const on = withCandidates(parts.on, stemsOn);
const weightsOn = fitted(on, 0.001);
console.log(
  'written on:',
  measured(on, weightsOn),
  'chosen on:',
  measured(withCandidates(parts.chosen, stemsOn), weightsOn, process.argv.includes('--show')),
);
const stems = fittedStems([...parts.on, ...parts.chosen]);
const weights = fitted(withCandidates([...parts.on, ...parts.chosen], stems), 0.001);
console.log('measured:', measured(withCandidates(parts.measured, stems), weights));
const text = `// Made by core/training/headings.ts: what each feature of a candidate adds to how well it is expected to agree with an editor's.
export const HEADING_WEIGHTS: Readonly<Record<string, number>> = ${JSON.stringify(weights)};

// What each feature of a stem adds to the log-odds that it stands in an editor's heading.
export const STEM_WEIGHTS: Readonly<Record<string, number>> = ${JSON.stringify(stems)};
`;
writeFileSync(
  new URL('../src/shape/talk-headings/weights.ts', import.meta.url),
  await format(text, { parser: 'typescript', singleQuote: true, printWidth: 140 }),
);
if (process.argv.includes('--proposed')) console.log(proposed(parts.on), proposed(parts.chosen), proposed(parts.measured));
if (process.argv.includes('--lost'))
  for (const s of withCandidates(parts.on, stems)) {
    const own = stemsOf(s.heading);
    if (!s.candidates.some((c) => [...stemsOf(c.text)].some((x) => own.has(x))))
      console.log(
        s.candidates.length,
        s.heading,
        '|',
        s.sentences
          .filter((x) => [...stemsOf(x.text)].some((y) => own.has(y)))
          .slice(0, 4)
          .map((x) => x.text.slice(0, 90))
          .join(' / '),
      );
  }
