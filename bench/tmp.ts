import { readFileSync } from 'node:fs';
import { readModel } from '@even-page/core/tidy/marks/model';
import { markScores, simpleScores, unseenDocuments, unseenGenres } from './marks.ts';
import { nameScore } from './names.ts';
const model = readModel(readFileSync(process.argv[2] ?? 'core/data/marks.bin'));
const show = (s: Record<string, { precision: number; recall: number; f1: number }>) =>
  Object.entries(s)
    .map(([k, v]) => `${k} ${(100 * v.precision).toFixed(1)}/${(100 * v.recall).toFixed(1)}=${(100 * v.f1).toFixed(1)}`)
    .join('  ');
for (const [n, t] of [
  ['docs', unseenDocuments()],
  ['brown', unseenGenres()],
] as const) {
  const s = performance.now();
  console.log(n, show(markScores(t, model)));
  console.log(n, 'pause', show(markScores(t, model, { pauses: true })));
  console.log(n, 'known', show(markScores(t, model, { known: true })), Math.round(performance.now() - s));
  console.log(n, show(simpleScores(t)));
}
console.log(nameScore(model));
