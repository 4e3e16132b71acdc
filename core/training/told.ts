// The talks told for this product (told/README.md), and which of them are for what: rules are written and networks taught
// on the first part, settings are chosen on the second, the third is only measured.
import { readdirSync, readFileSync } from 'node:fs';

const FOLDER = new URL('told/', import.meta.url);

/** A talk: its number, and its sentences as they were said, in their paragraphs. */
export type Told = { number: string; paragraphs: { speaker: string; sentences: string[] }[] };

export const PARTS = ['written on', 'chosen on', 'measured'] as const;
export type Part = (typeof PARTS)[number];

const SEED = 12;

// Talks are numbered by their kind: 01 to 11 screens, 12 to 22 benches, and so on.
const OF_A_KIND = 11;

/** Which talks are for what: 60, 20 and 20 of a hundred of each kind, by talk, once and for all. */
export function partOf(numbers: readonly string[]): Map<string, Part> {
  let state = SEED;
  const drawn = [...numbers].sort().map((number) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return { number, kind: Math.floor((Number(number) - 1) / OF_A_KIND), dice: state };
  });
  return new Map(
    drawn.map(({ number, kind, dice }) => {
      const own = drawn.filter((other) => other.kind === kind);
      const place = own.filter((other) => other.dice < dice).length;
      return [number, PARTS[place < Math.round(0.6 * own.length) ? 0 : place < Math.round(0.8 * own.length) ? 1 : 2]];
    }),
  );
}

/** The talks of a part. */
export const toldTalks = (part: Part): Told[] => told(part).map((name) => readTold(name));

/** The files of the talks of a part. */
function told(part: Part): string[] {
  const names = readdirSync(FOLDER).filter((name) => name.endsWith('.sents.tsv'));
  const parts = partOf(names.map((name) => name.slice(0, 2)));
  return names.filter((name) => parts.get(name.slice(0, 2)) === part);
}

function readTold(name: string): Told {
  const paragraphs = new Map<string, Told['paragraphs'][number]>();
  for (const line of readFileSync(new URL(name, FOLDER), 'utf8').split('\n')) {
    const [, paragraph, speaker, sentence] = line.split('\t');
    if (line.startsWith('#') || !sentence) continue;
    const known = paragraphs.get(paragraph!);
    if (known) known.sentences.push(sentence);
    else paragraphs.set(paragraph!, { speaker: speaker!, sentences: [sentence] });
  }
  return { number: name.slice(0, 2), paragraphs: [...paragraphs.values()] };
}

/** A talk as one text, a paragraph a block. */
export const textOf = ({ paragraphs }: Told): string => paragraphs.map(({ sentences }) => sentences.join(' ')).join('\n\n');

/** A talk as an editor weighed it: sentences with weights 0 to 3, and as the editor would write them ('' for those that go). */
export type Weighed = { text: string; speaker: string; weight: number; written: string }[];

/** The talks of a part, weighed. */
export const weighed = (part: Part): Weighed[] => told(part).map((name) => readWeighed(name));

function readWeighed(name: string): Weighed {
  const lines = (file: string) =>
    readFileSync(new URL(file, FOLDER), 'utf8')
      .split('\n')
      .filter((line) => line && !line.startsWith('#'))
      .map((line) => line.split('\t'));
  const written = new Map(
    lines(name.replace('.sents.', '.written.')).map(([id, weight, ...text]) => [id, { weight, text: text.join(' ') }]),
  );
  return lines(name).map(([id, , speaker, text]) => {
    const own = written.get(id);
    return { text: text!, speaker: speaker!, weight: Number(own?.weight ?? 0), written: own?.text ?? '' };
  });
}

/** A talk with an editor's sections: where each begins (numbers of sentences, the introduction left out) and its heading. */
export type Sectioned = {
  number: string;
  sentences: { text: string; speaker: string; opensParagraph: boolean }[];
  borders: Set<number>;
  sections: { role: 'introduction' | 'body' | 'close'; heading: string; from: number }[];
};

/** The talks of a part with their sections. */
export const sectioned = (part: Part): Sectioned[] => told(part).map((name) => readSectioned(name));

function readSectioned(name: string): Sectioned {
  const sentences: Sectioned['sentences'] = [];
  const sections: Sectioned['sections'] = [];
  let paragraph = '';
  for (const line of readFileSync(new URL(name, FOLDER), 'utf8').split('\n')) {
    const border = /^# \[(intro|close|section: *(.*))\]/.exec(line);
    if (border) {
      const role = border[1] === 'intro' ? 'introduction' : border[1] === 'close' ? 'close' : 'body';
      sections.push({ role, heading: border[2] ?? '', from: sentences.length });
      continue;
    }
    const [, own, speaker, text] = line.split('\t');
    if (line.startsWith('#') || !text) continue;
    sentences.push({ text, speaker: speaker!, opensParagraph: own !== paragraph });
    paragraph = own!;
  }
  return { number: name.slice(0, 2), sentences, borders: new Set(sections.map((s) => s.from).filter(Boolean)), sections };
}
