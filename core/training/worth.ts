// Teaches the weights of worth.ts from the talks an editor weighed sentence by sentence:
//   npx tsx core/training/worth.ts            writes core/data/worth.bin, prints how it does on talks kept back
// Softmax regression by stochastic gradient with steps per place (AdaGrad, Duchi and others 2011), in seconds.
import { writeFileSync } from 'node:fs';
import { PLACES, readWorth, WEIGHTS, worthFeatures, worthOf, type Said } from '../src/tidy/wording/worth.ts';
import { PARTS, weighed, type Part, type Weighed } from './told.ts';

const ROUNDS = 6;
const STEP = 0.1;
const HOLD = 1e-4;
const SEED = 12;

function taught(talks: readonly Weighed[]): Float64Array {
  const rows = talks.flatMap((talk) => {
    const features = worthFeatures(talk.map((s): Said => s));
    return talk.map(({ weight }, i) => ({ places: features[i]!, weight }));
  });
  const table = new Float64Array(PLACES * WEIGHTS);
  const squares = new Float64Array(PLACES * WEIGHTS).fill(1e-6);
  let state = SEED;
  const random = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  // The mean of the tables after each round holds better on other talks than the last (Polyak and Juditsky 1992).
  const sum = new Float64Array(PLACES * WEIGHTS);
  for (let round = 0; round < ROUNDS; round++) {
    for (let i = rows.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [rows[i], rows[j]] = [rows[j]!, rows[i]!];
    }
    for (const { places, weight } of rows) {
      const sums = [0, 0, 0, 0];
      for (const p of places) for (let c = 0; c < WEIGHTS; c++) sums[c]! += table[p * WEIGHTS + c]!;
      const most = Math.max(...sums);
      const raised = sums.map((s) => Math.exp(s - most));
      const all = raised.reduce((a, b) => a + b, 0);
      for (let c = 0; c < WEIGHTS; c++) {
        const wrong = raised[c]! / all - (c === weight ? 1 : 0);
        for (const p of places) {
          const at = p * WEIGHTS + c;
          const slope = wrong + HOLD * rows.length * table[at]! * 0.01;
          squares[at]! += slope * slope;
          table[at]! -= (STEP * slope) / Math.sqrt(squares[at]! + 1);
        }
      }
    }
    for (let i = 0; i < table.length; i++) sum[i]! += table[i]! / ROUNDS;
  }
  return sum;
}

function written(table: Float64Array): Uint8Array {
  const most = table.reduce((m, x) => Math.max(m, Math.abs(x)), 0);
  const bytes = new Uint8Array(4 + table.length);
  new DataView(bytes.buffer).setFloat32(0, most / 127, true);
  new Int8Array(bytes.buffer, 4).set(Array.from(table, (x) => Math.round((x / most) * 127)));
  return bytes;
}

function measured(bytes: Uint8Array, talks: readonly Weighed[]): string {
  const model = readWorth(bytes);
  const all = talks.flatMap((talk) =>
    worthOf(talk, model).map(({ chances, expected }, i) => ({ zero: chances[0]!, expected, ...talk[i]! })),
  );
  const gone = all.filter((s) => s.weight === 0);
  const kept = all.filter((s) => s.weight > 0);
  let above = 0;
  for (const g of gone) for (const k of kept) above += g.zero > k.zero ? 1 : g.zero === k.zero ? 0.5 : 0;
  const sorted = [...all].sort((a, b) => b.zero - a.zero);
  const at = (precision: number) => {
    let right = 0;
    let best = 0;
    sorted.forEach((s, i) => {
      if (s.weight === 0) right++;
      if (right / (i + 1) >= precision) best = right / gone.length;
    });
    return (100 * best).toFixed(1);
  };
  return `AUC ${(above / gone.length / kept.length).toFixed(3)}, found at precision .85: ${at(0.85)} %, at .9: ${at(0.9)} %`;
}

const talks = Object.fromEntries(PARTS.map((part) => [part, weighed(part)])) as Record<Part, Weighed[]>;
console.log('taught on "written on", on "chosen on":', measured(written(taught(talks['written on'])), talks['chosen on']));
const bytes = written(taught([...talks['written on'], ...talks['chosen on']]));
console.log('taught on both, on "measured":', measured(bytes, talks.measured));
writeFileSync(new URL('../data/worth.bin', import.meta.url), bytes);
