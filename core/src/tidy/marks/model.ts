import { remembered } from '../../language/remembered.ts';
import { OUTPUTS, Runs, type Grams } from './grams.ts';
import type { Marks } from './chances.ts';
import { LISTS, listsOf, type Filter, type List } from './lexicon.ts';
import { readTold, type Told } from './told.ts';
import { Network, rowInSteps, type Layer, type Table } from './network.ts';

/**
 * What says, for each word of a text without marks, which mark stands after it and whether it is a name. How it was
 * made: core/training/README.md. For each word it adds up what the tables hold for the word, its ending, its shape,
 * the lists it stands in and the pauses beside it; this goes through the layers of network.ts, and what runs of words
 * around it say (grams.ts) is added. The chances of the marks are the softmax of the first outputs, that of a name
 * the logistic function of the last.
 */
export type MarksModel = {
  words: ReadonlyMap<string, number>;
  /** The lists a word stands in, as bits in the order of LISTS. */
  lists: (word: string) => number;
  /** What goes into the layers for a word, for no word, and for what is known of the pauses beside a word. */
  rows: { of: (word: string) => Int16Array; none: Int16Array; pauses: readonly Int16Array[] };
  grams: Grams;
  network: Network;
  /** What talk alone taught. */
  told: Told;
};

/** A table as the file holds it: whole steps, and how much a step of each row is. */
type StoredTable = Table & { steps: Int8Array; scales: Float32Array };

type Header = {
  words: string[];
  endings: string[];
  /** How many of the most frequent words are themselves in runs of classes and in runs of words. */
  own: number;
  ownInWords: number;
  tables: { name: string; rows: number; columns: number; bits: 4 | 8 }[];
  blocks: { before: number; step: number }[];
  filters: { name: List; hashes: number; bytes: number }[];
  told: { entries: number; step: number };
};

/**
 * Reads a model from its file: a line of JSON; for each row of each table a scale and its numbers in whole steps of
 * it, of 8 bits or of 4 with the first of two in the upper half; then the word lists, and what talk taught.
 */
export function readModel(bytes: Uint8Array): MarksModel {
  const end = bytes.indexOf(10);
  const header = JSON.parse(new TextDecoder('utf-8').decode(bytes.subarray(0, end))) as Header;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = end + 1;
  const tables = new Map<string, StoredTable>();
  for (const { name, rows, columns, bits } of header.tables) {
    const steps = new Int8Array(rows * columns);
    const values = new Float32Array(rows * columns);
    const scales = new Float32Array(rows);
    for (let row = 0; row < rows; row++) {
      const scale = view.getFloat32(at, true);
      scales[row] = scale;
      at += 4;
      for (let i = row * columns; i < (row + 1) * columns; i++) {
        steps[i] = bits === 8 ? view.getInt8(at++) : (i % 2 ? view.getInt8(at++) << 28 : view.getInt8(at) << 24) >> 28;
        values[i] = steps[i]! * scale;
      }
    }
    tables.set(name, { rows, columns, values, steps, scales });
  }
  const filters = Object.fromEntries(
    header.filters.map(({ name, hashes, bytes: size }) => [name, { hashes, bits: bytes.subarray(at, (at += size)) }]),
  ) as Record<List, Filter>;
  const told = readTold(bytes.subarray(at), header.told.entries, header.told.step);
  const numbered = (list: string[]) => new Map(list.map((text, i) => [text, i + 1]));
  const table = (name: string) => tables.get(name)!;
  const layer = (name: string): Layer => ({ weights: table(name), bias: table(`${name}Bias`) });
  const words = numbered(header.words);
  const lists = remembered((word) => listsOf(word, filters));
  const rowOf = rowsFrom(words, numbered(header.endings), lists, table);
  return {
    words,
    lists,
    rows: { of: remembered(rowOf), none: rowOf(null), pauses: [0, 1, 2, 3].map((kind) => rowInSteps(rowAt(table('pauses'), kind))) },
    grams: { own: header.own, ownInWords: header.ownInWords, ...turned(table('grams')) },
    network: new Network({
      first: layer('first'),
      blocks: header.blocks.map((block, i) => ({ ...block, near: layer(`near${i}`), layer: layer(`layer${i}`) })),
      last: layer('last'),
    }),
    told,
  };
}

/** The weights of runs lie output by output in the file, so that each output has one scale. */
function turned({ columns: rows, steps, scales }: StoredTable): Pick<Grams, 'rows' | 'weights' | 'scales'> {
  const weights = new Int8Array(steps.length);
  for (let i = 0; i < steps.length; i++) {
    const output = i % OUTPUTS;
    weights[i] = steps[output * rows + (i - output) / OUTPUTS]!;
  }
  return { rows, weights, scales };
}

/** What is known of the pause after a word: nothing, that there is none, that there is one. */
export const UNKNOWN = 0;
export const NO_PAUSE = 1;
export const PAUSE = 2;

const COMMA = 1;
const STOP = 2;
const QUESTION = 3;
const MARKS = OUTPUTS - 1;

/**
 * The marks of a run of words in lower case.
 * @param pauses for each word, what is known of the pause after it
 */
export function marksOf(model: MarksModel, words: readonly string[], pauses: Uint8Array): Marks {
  const n = words.length;
  const result: Marks = { end: new Float32Array(n), question: new Float32Array(n), comma: new Float32Array(n), name: new Float32Array(n) };
  const rowOf = rowsFor(model, words, pauses);
  const runs = new Runs(model, words);
  model.network.run(n, rowOf, (i, out, at) => {
    runs.add(i, out, at);
    let total = 0;
    for (let mark = 0; mark < MARKS; mark++) total += Math.exp(out[at + mark]!);
    result.comma[i] = Math.exp(out[at + COMMA]!) / total;
    result.question[i] = Math.exp(out[at + QUESTION]!) / total;
    result.end[i] = Math.exp(out[at + STOP]!) / total + result.question[i]!;
    result.name[i] = 1 / (1 + Math.exp(-out[at + MARKS]!));
  });
  return result;
}

/** The rows of a text's words, with what is known of the pauses beside them. */
function rowsFor({ rows }: MarksModel, words: readonly string[], pauses: Uint8Array) {
  const known = words.map(rows.of);
  const row = new Int16Array(rows.none.length);
  const add = (kind: Int16Array) => {
    for (let c = 0; c < row.length; c++) row[c]! += kind[c]!;
  };
  return (i: number): Int16Array => {
    const plain = known[i];
    if (!plain) return rows.none;
    const before = i ? pauses[i - 1]! : UNKNOWN;
    const after = pauses[i]!;
    if (before === UNKNOWN && after === UNKNOWN) return plain;
    row.set(plain);
    // Known before the word, heard before it, known after it, heard after it.
    for (let kind = 0; kind < before; kind++) add(rows.pauses[kind]!);
    for (let kind = 0; kind < after; kind++) add(rows.pauses[PAUSE + kind]!);
    return row;
  };
}

const rowAt = ({ columns, values }: Table, row: number): Float32Array => values.subarray(row * columns, (row + 1) * columns);

/** What the tables hold for a word, or for no word: for itself, its ending, its shape and its lists. */
function rowsFrom(
  words: ReadonlyMap<string, number>,
  endings: ReadonlyMap<string, number>,
  lists: (word: string) => number,
  table: (name: string) => Table,
) {
  const [own, ending, shape, listed] = [table('word'), table('ending'), table('shape'), table('lists')];
  return (word: string | null): Int16Array => {
    const row = new Float32Array(own.columns);
    const add = (part: Float32Array) => part.forEach((value, c) => (row[c]! += value));
    add(rowAt(own, word === null ? 0 : numberOf(word, words)));
    add(rowAt(ending, word === null ? 0 : (endings.get(word.slice(-3)) ?? 0)));
    add(rowAt(shape, word === null ? 0 : shapeOf(word)));
    const bits = word === null ? 0 : lists(word);
    LISTS.forEach((_, list) => {
      if ((bits >> list) & 1) add(rowAt(listed, list));
    });
    return rowInSteps(row);
  };
}

/** The number of a word; one that is not known stands for what it is made of: its owner, its figures, its last or first part. */
function numberOf(word: string, words: ReadonlyMap<string, number>): number {
  const parts = word.split('-');
  for (const form of [word, word.replace(/'s?$/, ''), word.replace(/[.,:]/g, '').replace(/\d/g, '0'), parts.at(-1)!, parts[0]!]) {
    const number = words.get(form);
    if (number !== undefined) return number;
  }
  return 0;
}

/** The shape of a word, as the training script counts it: figures, a hyphen, an apostrophe, short. */
function shapeOf(word: string): number {
  return (/\d/.test(word) ? 1 : 0) + (word.includes('-') ? 2 : 0) + (word.includes("'") ? 4 : 0) + (word.length <= 3 ? 8 : 0);
}
