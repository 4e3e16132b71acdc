// Teaches what talk alone says of ends and commas (core/src/tidy/marks/told.ts), on the talks that are not only measured, and
// puts it behind the network. Run after tune.py: npx tsx core/training/teach.ts OUT (seconds). What the network says of a talk
// is asked of one that has not heard it: on talks learned by heart it is surer than it will ever be again.
import { readFileSync, writeFileSync } from 'node:fs';
import { marksOf, NO_PAUSE, PAUSE, readModel, type MarksModel } from '@even-page/core/tidy/marks/model';
import { features, OUTCOMES } from '@even-page/core/tidy/marks/told';
import { markedWords, MARKS } from './marks.ts';
import { textOf, toldTalks } from './told.ts';

const FILE = new URL('../data/marks.bin', import.meta.url);
const [out] = process.argv.slice(2) as [string];

// Chosen on one half of the talks, taught on the other: more rounds only learn these by heart.
const ROUNDS = 3;
const RATE = 0.03;
const FEWEST = 4;
// A pause is heard at so many sentence ends, and at so many other places.
const [AT_ENDS, ELSEWHERE] = [0.7, 0.08];

let state = 1;
const random = () => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return state / 2 ** 32;
};

type Place = { hashes: Uint32Array; outcome: number };

const networkOf = (name: string) => parts(new Uint8Array(readFileSync(`${out}/${name}.bin`)));
const network = networkOf('all');
const [taughtOnEven, taughtOnOdd] = ['even', 'odd'].map((name) =>
  readModel(written(networkOf(name), { entries: 0, step: 1, bytes: new Uint8Array() })),
) as [MarksModel, MarksModel];

/** The places of a talk, as its words alone show them, and with pauses. */
function placesOf(text: string, model: MarksModel): Place[] {
  const gold = markedWords(text);
  const said = gold.map(({ word }) => word);
  const outcomes = gold.map(({ mark }) => (MARKS[mark] === 'stop' || MARKS[mark] === 'question' ? 2 : MARKS[mark] === 'comma' ? 1 : 0));
  const pauses = Uint8Array.from(outcomes, (outcome) => (random() < (outcome === 2 ? AT_ENDS : ELSEWHERE) ? PAUSE : NO_PAUSE));
  return [new Uint8Array(said.length), pauses].flatMap((known) => {
    const at = features(said, marksOf(model, said, known), known);
    return outcomes.map((outcome, i) => {
      const hashes: number[] = [];
      at(i, (hash) => hashes.push(hash));
      return { hashes: Uint32Array.from(hashes), outcome };
    });
  });
}

const talks = [...toldTalks('written on'), ...toldTalks('chosen on')].sort((a, b) => (a.number < b.number ? -1 : 1));
const places = talks.flatMap((talk, n) => placesOf(textOf(talk), n % 2 ? taughtOnEven : taughtOnOdd));
const seen = new Map<number, number>();
for (const { hashes } of places) for (const hash of hashes) seen.set(hash, (seen.get(hash) ?? 0) + 1);
// Each talk is there twice.
const numbers = new Map([...seen].filter(([, count]) => count >= 2 * FEWEST).map(([hash], n) => [hash, n]));

// Softmax regression by stochastic descent with a rate of its own for each weight (Duchi, Hazan and Singer 2011).
const weights = new Float32Array(numbers.size * OUTCOMES);
const moved = new Float32Array(weights.length);
// The mean of the tables after each round holds better on other talks than the last (Polyak and Juditsky 1992).
const mean = new Float32Array(weights.length);
const rows = places.map(({ hashes, outcome }) => ({ outcome, own: Array.from(hashes).flatMap((hash) => numbers.get(hash) ?? []) }));
for (let round = 0; round < ROUNDS; round++) {
  for (let i = rows.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [rows[i], rows[j]] = [rows[j]!, rows[i]!];
  }
  for (const { own, outcome } of rows) {
    const sums = Array.from({ length: OUTCOMES }, (_, o) => own.reduce((sum, n) => sum + weights[n * OUTCOMES + o]!, 0));
    const raised = sums.map((sum) => Math.exp(sum));
    const total = raised.reduce((a, b) => a + b);
    raised.forEach((value, o) => {
      const miss = value / total - (o === outcome ? 1 : 0);
      for (const n of own) {
        const w = n * OUTCOMES + o;
        moved[w]! += miss * miss;
        weights[w]! -= (RATE * miss) / Math.sqrt(moved[w]! + 0.1);
      }
    });
  }
  for (let w = 0; w < weights.length; w++) mean[w]! += weights[w]! / ROUNDS;
}

const step = mean.reduce((most, w) => Math.max(most, Math.abs(w)), 0) / 127;
const entries: Uint8Array[] = [];
for (const [hash, n] of numbers) {
  const steps = Array.from({ length: OUTCOMES }, (_, o) => Math.round(mean[n * OUTCOMES + o]! / step));
  if (steps.every((s) => s === 0)) continue;
  const entry = new Uint8Array(4 + OUTCOMES);
  new DataView(entry.buffer).setUint32(0, hash, true);
  steps.forEach((s, o) => new DataView(entry.buffer).setInt8(4 + o, s));
  entries.push(entry);
}
writeFileSync(FILE, written(network, { entries: entries.length, step, bytes: Buffer.concat(entries) }));
console.log(`${places.length} places, ${entries.length} features`);

type Section = { entries: number; step: number; bytes: Uint8Array };

/** A network's file in its parts. */
function parts(file: Uint8Array) {
  const end = file.indexOf(10);
  return { header: JSON.parse(new TextDecoder().decode(file.subarray(0, end))) as object, body: file.subarray(end + 1) };
}

function written({ header, body }: ReturnType<typeof parts>, { entries, step, bytes }: Section): Uint8Array {
  const line = `${JSON.stringify({ ...header, told: { entries, step } })}\n`;
  return new Uint8Array(Buffer.concat([Buffer.from(line), body, bytes]));
}
