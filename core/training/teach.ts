// Teaches what talk alone says of ends and commas (core/src/tidy/marks/told.ts), on the talks that rules are written on, and
// puts it behind the network in core/data/marks.bin. Run after train.py, or when the talks change:
// npx tsx core/training/teach.ts (seconds)
import { readFileSync, writeFileSync } from 'node:fs';
import { marksOf, NO_PAUSE, PAUSE, readModel } from '@even-page/core/tidy/marks/model';
import { features, OUTCOMES } from '@even-page/core/tidy/marks/told';
import { markedWords, MARKS } from './marks.ts';
import { textOf, toldTalks } from './told.ts';

const FILE = new URL('../data/marks.bin', import.meta.url);

// Chosen on the second part of the talks: more rounds only learn these by heart.
const ROUNDS = 3;
const RATE = 0.05;
const FEWEST = 4;
// A pause is heard at so many sentence ends, and at so many other places.
const [AT_ENDS, ELSEWHERE] = [0.7, 0.08];

let state = 1;
const random = () => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return state / 2 ** 32;
};

type Place = { hashes: Uint32Array; outcome: number };

const bytes = new Uint8Array(readFileSync(FILE));
const { network, told } = parts(bytes);
const model = readModel(written(network, told));

/** The places of a talk, as its words alone show them, and with pauses. */
function placesOf(text: string): Place[] {
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

const places = toldTalks('written on').flatMap((talk) => placesOf(textOf(talk)));
const seen = new Map<number, number>();
for (const { hashes } of places) for (const hash of hashes) seen.set(hash, (seen.get(hash) ?? 0) + 1);
// Each talk is there twice.
const numbers = new Map([...seen].filter(([, count]) => count >= 2 * FEWEST).map(([hash], n) => [hash, n]));

// Softmax regression by stochastic descent with a rate of its own for each weight (Duchi, Hazan and Singer 2011).
const weights = new Float32Array(numbers.size * OUTCOMES);
const moved = new Float32Array(weights.length);
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
}

const step = weights.reduce((most, w) => Math.max(most, Math.abs(w)), 0) / 127;
const entries: Uint8Array[] = [];
for (const [hash, n] of numbers) {
  const steps = Array.from({ length: OUTCOMES }, (_, o) => Math.round(weights[n * OUTCOMES + o]! / step));
  if (steps.every((s) => s === 0)) continue;
  const entry = new Uint8Array(4 + OUTCOMES);
  new DataView(entry.buffer).setUint32(0, hash, true);
  steps.forEach((s, o) => new DataView(entry.buffer).setInt8(4 + o, s));
  entries.push(entry);
}
writeFileSync(FILE, written(network, { entries: entries.length, step, bytes: Buffer.concat(entries) }));
console.log(`${places.length} places, ${entries.length} features`);

type Section = { entries: number; step: number; bytes: Uint8Array };

/** A file of the model in its parts: what the network is, and what talk taught. */
function parts(file: Uint8Array) {
  const end = file.indexOf(10);
  const header = JSON.parse(new TextDecoder().decode(file.subarray(0, end))) as { told?: { entries: number; step: number } };
  const { told: before = { entries: 0, step: 1 }, ...rest } = header;
  const size = before.entries * (4 + OUTCOMES);
  return {
    network: { header: rest, body: file.subarray(end + 1, file.length - size) },
    told: { ...before, bytes: file.subarray(file.length - size) } satisfies Section,
  };
}

function written({ header, body }: ReturnType<typeof parts>['network'], { entries, step, bytes }: Section): Uint8Array {
  const line = `${JSON.stringify({ ...header, told: { entries, step } })}\n`;
  return new Uint8Array(Buffer.concat([Buffer.from(line), body, bytes]));
}
