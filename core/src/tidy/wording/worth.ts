import { isContentWord, stem } from '../../language/terms.ts';
import { words } from '../../language/words.ts';
import { DEEDS } from './kinds.ts';

/**
 * What an article needs of a talk, sentence by sentence: a softmax over four weights, 0 for what never belongs in one to 3
 * for what must stay, taught on talks an editor weighed (core/training/worth.ts). Features are hashed (Weinberger and
 * others 2009); weights are whole numbers times a scale.
 */
export type WorthModel = { scale: number; weights: Int8Array };

export const WEIGHTS = 4;
const BITS = 15;
/** How many places features are hashed to. */
export const PLACES = 1 << BITS;

/** A sentence to be weighed, as it was said, and who said it. */
export type WeighedSentence = { text: string; speaker?: string };

const HEADER = 4;

/** Reads a model: a scale (32-bit float), then PLACES times four whole numbers of 8 bits. */
export function readWorth(bytes: Uint8Array): WorthModel {
  const scale = new DataView(bytes.buffer, bytes.byteOffset, HEADER).getFloat32(0, true);
  return { scale, weights: new Int8Array(bytes.buffer, bytes.byteOffset + HEADER, PLACES * WEIGHTS) };
}

function hash(name: string): number {
  // FNV-1a, 32 bits.
  let h = 0x811c9dc5;
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193);
  return (h ^ (h >>> BITS)) & (PLACES - 1);
}

const NEAR = 8;
const bin = (value: number, edges: readonly number[]) => edges.filter((e) => value >= e).length;

/** The features of each sentence of a talk, as places in the table. */
export function worthFeatures(talk: readonly WeighedSentence[]): number[][] {
  const all = talk.map(({ text }) => words(text).map((w) => w.text.toLowerCase().replaceAll('’', "'")));
  const stems = all.map((ws) => [...new Set(ws.filter(isContentWord).map(stem))]);
  const count = new Map<string, number>();
  for (const ss of stems) for (const s of ss) count.set(s, (count.get(s) ?? 0) + 1);
  const speakers = new Map<string, number>();
  talk.forEach(({ speaker = '' }, i) => speakers.set(speaker, (speakers.get(speaker) ?? 0) + all[i]!.length));
  const total = [...speakers.values()].reduce((a, b) => a + b, 0) || 1;
  const place = (i: number) => i / Math.max(1, talk.length - 1);
  const isDeed = all.map((ws) => ws.some((w, k) => k < 5 && DEEDS.has(w)));
  return talk.map(({ text, speaker = '' }, i) => {
    const ws = all[i]!;
    const names = new Set<string>(['bias']);
    const add = (name: string) => names.add(name);
    ws.forEach((w, k) => {
      const shown = /\d/.test(w) ? '#' : w;
      add(`w ${shown}`);
      if (k) add(`b ${/\d/.test(ws[k - 1]!) ? '#' : ws[k - 1]} ${shown}`);
    });
    add(`f1 ${ws[0] ?? ''}`);
    add(`f2 ${ws[0] ?? ''} ${ws[1] ?? ''}`);
    add(`f3 ${ws.slice(0, 3).join(' ')}`);
    add(`l1 ${ws.at(-1) ?? ''}`);
    add(`p1 ${all[i - 1]?.[0] ?? '^'}`);
    add(`n1 ${all[i + 1]?.[0] ?? '$'}`);
    add(`p2 ${all[i - 1]?.slice(0, 2).join(' ') ?? '^'}`);
    const length = bin(ws.length, [2, 3, 4, 6, 8, 11, 15, 20, 28, 40]);
    add(`len ${length}`);
    add(`plen ${bin(all[i - 1]?.length ?? 0, [1, 3, 6, 12, 25])}`);
    add(`nlen ${bin(all[i + 1]?.length ?? 0, [1, 3, 6, 12, 25])}`);
    add(`place ${bin(place(i), [0.01, 0.03, 0.06, 0.1, 0.2, 0.5, 0.8, 0.9, 0.95, 0.98])}`);
    add(`head ${Math.min(8, i)}`);
    add(`tail ${Math.min(8, talk.length - 1 - i)}`);
    const end = /\?["'”’)]*$/.test(text) ? 'q' : '.';
    const pend = i && /\?["'”’)]*$/.test(talk[i - 1]!.text) ? 'q' : '.';
    add(`end ${end} ${length}`);
    add(`after ${pend} ${length}`);
    const content = stems[i]!;
    add(`content ${bin(content.length, [1, 2, 3, 5, 8, 12])}`);
    add(`density ${bin(content.length / Math.max(1, ws.length), [0.1, 0.2, 0.3, 0.4, 0.5])}`);
    const near = new Set(stems.slice(Math.max(0, i - NEAR), i).flat());
    const later = new Set(stems.slice(i + 1, i + 1 + NEAR).flat());
    const share = (set: ReadonlySet<string>) => (content.length ? content.filter((s) => set.has(s)).length / content.length : -1);
    const [before, after] = [share(near), share(later)];
    const shares = [0, 0.01, 0.25, 0.5, 0.75, 1];
    add(`said ${bin(before, shares)} ${bin(ws.length, [6, 15])}`);
    add(`again ${bin(after, shares)} ${bin(ws.length, [6, 15])}`);
    const heft = content.reduce((sum, s) => sum + Math.log(count.get(s)!), 0) / Math.max(1, content.length);
    add(`heft ${bin(heft, [0.01, 0.4, 0.8, 1.2, 1.7, 2.3])}`);
    add(`once ${bin(content.filter((s) => count.get(s) === 1).length, [1, 2, 3, 5])}`);
    if (/\d/.test(text)) add('figure');
    if (isDeed[i]) add('deed');
    add(`deeds ${bin(isDeed.slice(Math.max(0, i - 4), i + 5).filter(Boolean).length, [1, 2, 3, 5, 7])} ${isDeed[i] ? 1 : 0}`);
    for (const [name, pattern] of PERSONS) if (ws.some((w) => pattern.test(w))) add(`person ${name}`);
    if (ws.some((w) => /n't$|^(?:not|never|no)$/.test(w))) add('denies');
    if (/, /.test(text)) add(`commas ${bin(text.split(', ').length, [2, 3, 5, 8])}`);
    if (speakers.size > 1) {
      add(`voices ${bin((speakers.get(speaker) ?? 0) / total, [0.1, 0.25, 0.4, 0.6, 0.8])} ${length}`);
      add(`turn ${talk[i - 1]?.speaker !== speaker ? 1 : 0}${talk[i + 1]?.speaker !== speaker ? 1 : 0} ${length}`);
    }
    const past = ws.filter((w) => /(?:ed|was|were|had|went|said|did|came|took|got)$/.test(w)).length;
    add(`past ${Math.min(4, past)} ${ws.includes('i') ? 1 : 0}`);
    return [...names].map(hash);
  });
}

const PERSONS: readonly (readonly [string, RegExp])[] = [
  ['i', /^i(?:'|$)/],
  ['we', /^we(?:'|$)/],
  ['you', /^you(?:'|$|r)/],
  ['they', /^(?:they|he|she)(?:'|$)/],
  ['it', /^(?:it|that|this)(?:'|$)/],
];

// What is needed comes in stretches: a sentence is judged a little by its neighbours (chosen on talks kept back).
const NEXT = 0.1;
const NEXT_BUT_ONE = 0.05;

/** The chances of the four weights for each sentence of a talk, and the weight to be expected (0 to 3). */
export function worthOf(talk: readonly WeighedSentence[], { weights, scale }: WorthModel): { chances: number[]; expected: number }[] {
  const own = worthFeatures(talk).map((places) => {
    const sums = [0, 0, 0, 0];
    for (const place of places) for (let c = 0; c < WEIGHTS; c++) sums[c]! += weights[place * WEIGHTS + c]! * scale;
    return sums;
  });
  return own.map((sums, i) => {
    const near = (by: number, c: number) => (own[i - by]?.[c] ?? 0) + (own[i + by]?.[c] ?? 0);
    const scores = sums.map((s, c) => s + NEXT * near(1, c) + NEXT_BUT_ONE * near(2, c));
    const most = Math.max(...scores);
    const raised = scores.map((s) => Math.exp(s - most));
    const all = raised.reduce((a, b) => a + b, 0);
    const chances = raised.map((r) => r / all);
    return { chances, expected: chances.reduce((sum, c, weight) => sum + c * weight, 0) };
  });
}
