// Fits the weights of pulls.ts: npx tsx core/training/pulls.ts   writes core/src/shape/cut/pull-weights.ts
// Logistic regression with a square penalty, by plain gradient steps; features seen in fewer than FEWEST borders' worth of
// sentences are left out.
import { writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { terms } from '../src/language/terms.ts';
import { pullFeatures } from '../src/shape/cut/pulls.ts';
import { sectioned } from './told.ts';

const PENALTY = 2;
const ROUNDS = 3000;
const FEWEST = 8;

type Row = { features: string[]; isBorder: boolean };

export function rowsOf(talks: ReturnType<typeof sectioned>): Row[] {
  return talks.flatMap(({ sentences, borders }) => {
    const features = pullFeatures(sentences.map((s) => ({ ...s, terms: terms(s.text) })));
    return features.map((f, i) => ({ features: f, isBorder: borders.has(i) })).slice(1);
  });
}

function fitted(rows: readonly Row[]): Record<string, number> {
  const counts = new Map<string, number>();
  for (const { features } of rows) for (const f of features) counts.set(f, (counts.get(f) ?? 0) + 1);
  const names = [...counts].filter(([, n]) => n >= FEWEST).map(([name]) => name);
  const place = new Map(names.map((name, i) => [name, i]));
  const found = rows.map(({ features, isBorder }) => ({ places: features.flatMap((f) => place.get(f) ?? []), y: isBorder ? 1 : 0 }));
  const weights = new Float64Array(names.length);
  let bias = Math.log(0.06);
  const step = 2 / rows.length;
  for (let round = 0; round < ROUNDS; round++) {
    const slopes = new Float64Array(names.length);
    let slope = 0;
    for (const { places, y } of found) {
      const wrong = y - 1 / (1 + Math.exp(-places.reduce((sum, p) => sum + weights[p]!, bias)));
      slope += wrong;
      for (const p of places) slopes[p]! += wrong;
    }
    bias += step * slope;
    for (let p = 0; p < weights.length; p++) weights[p]! += step * (slopes[p]! - PENALTY * weights[p]!);
  }
  return {
    bias,
    ...Object.fromEntries(
      names.map((name, i) => [name, Math.round(weights[i]! * 100) / 100] as const).filter(([, w]) => Math.abs(w) >= 0.05),
    ),
  };
}

const weights = fitted(rowsOf([...sectioned('written on'), ...(process.argv.includes('--all') ? sectioned('chosen on') : [])]));
const text = `// Made by core/training/pulls.ts: what each feature of a sentence adds to the log-odds of a border before it.
export const PULLS: Readonly<Record<string, number>> = ${JSON.stringify(weights)};
`;
const file = new URL('../src/shape/cut/pull-weights.ts', import.meta.url);
writeFileSync(file, await format(text, { parser: 'typescript', singleQuote: true, printWidth: 140 }));
console.log(Object.keys(weights).length, 'weights');
