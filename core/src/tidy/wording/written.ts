import { wordCount } from '../../language/words.ts';
import type { Paragraph, ProseSentence } from '../prose.ts';
import { droppedBy } from './drops.ts';
import { DEEDS } from './kinds.ts';
import { readied, use, Wording, type Person, type ReadyRule, type Rule, type Telling } from './rule.ts';
import { clefts } from './rules/clefts.ts';
import { future } from './rules/future.ts';
import { lightVerbs } from './rules/light-verbs.ts';
import { openers } from './rules/openers.ts';
import { padding } from './rules/padding.ts';
import { persons } from './rules/person.ts';
import { pointing } from './rules/pointing.ts';
import { textOf, tokensOf } from './tokens.ts';
import { worthOf, type WorthModel } from './worth.ts';

/** What a rule did to a sentence. */
export type Change = { rule: string; reason: string };

/**
 * A sentence as written: `said` is the tidied sentence it came from, `changes` what rules did, `out` why it goes whole (null
 * when it stays) and `worth` how much a page needs it, 0 to 3.
 */
export type WrittenSentence = ProseSentence & { said: string; changes: Change[]; out: string | null; worth: number };
export type WrittenParagraph = { sentences: WrittenSentence[]; speaker?: string };

/** How the writer wants a sentence, whatever the rules say: as it was said, in, or out. */
export type Turn = 'said' | 'in' | 'out';

/** What is kept of the wording of a source: the person, and the sentences turned by hand, by where they begin in its flow. */
export type WordingChoices = { person?: Person; turns?: Readonly<Record<number, Turn>> };

/** A talk as written, and who it is told by or to. */
export type Written = { person: Person; paragraphs: WrittenParagraph[] };

// In this order; those in the middle make room for each other, and are used twice.
const FIRST = [openers];
const TWICE = [clefts, lightVerbs, pointing, padding];
const LAST = [persons, future, openers];
const ready = (rules: readonly (readonly Rule[])[]): ReadyRule[] => rules.flat().map(readied);
const PASSES = [ready(FIRST), ready(TWICE), ready(TWICE), ready(LAST)];

/** Every rule of wording, by name: a test looks at each. */
export const WORDING_RULES: readonly Rule[] = [...FIRST, ...TWICE, ...LAST.slice(0, -1)].flat();

/** A sentence as written, and what was done to it. */
export function wordedSentence(said: string, telling: Telling): { text: string; changes: Change[]; isInstruction: boolean } {
  const { all, end } = tokensOf(said);
  const wording = new Wording(all, end, telling);
  const changes: Change[] = [];
  for (const pass of PASSES) {
    for (const rule of pass)
      if (use(rule, wording) && !changes.some((c) => c.rule === rule.name)) changes.push({ rule: rule.name, reason: rule.reason });
  }
  return { text: changes.length ? textOf(wording) : said, changes, isInstruction: wording.isInstruction };
}

const FIRST_PERSON = /(?:^|[,;] |\b(?:and|but|so|that|because|if|when|then) )(?:I|we|We|I'm|I've|I'll|we're|we've|we'll|I'd)\b/;
// Of sentences told by the speaker, so many can be turned to the reader; of all, so many tell deeds.
const TURNED = 0.35;
const DEEDS_TOLD = 0.1;

// Of the sentences of a how-to talk, so many tell the listener a deed.
const HOW_TO = 0.05;

// So many sentences, from all over a talk, say how it is told.
const LOOKED_AT = 240;
const evenly = <T>(all: readonly T[], most: number): T[] => all.filter((_, i) => Math.floor((i * most) / all.length) !== Math.floor(((i - 1) * most) / all.length));

/** How a talk is best told: to the reader, where most of what the speaker does can be told as an instruction. */
export function tellingOf(sentences: readonly string[]): Telling {
  let turned = 0;
  let told = 0;
  let deeds = 0;
  const looked = evenly(sentences, LOOKED_AT);
  for (const said of looked) {
    const { text, isInstruction } = wordedSentence(said, { person: 'you', isHowTo: true });
    if (isInstruction) turned++;
    else if (FIRST_PERSON.test(text.replaceAll('’', "'"))) told++;
    if (isInstruction || DEEDS.has(/^[a-z]+/i.exec(text)?.[0].toLowerCase() ?? '')) deeds++;
  }
  const share = deeds / Math.max(1, looked.length);
  return { person: turned / Math.max(1, turned + told) >= TURNED && share >= DEEDS_TOLD ? 'you' : 'i', isHowTo: share >= HOW_TO };
}

// A sentence goes when it is so sure that no article needs it.
const SURELY_NOTHING = 0.6;
const AGAIN_WITHIN = 4;

/**
 * A talk as an editor would write it down, by small changes alone: words that carry nothing go, deeds are told to the
 * reader, and whole sentences go that no article needs. Each change can be taken back: what is written depends on nothing
 * but the talk and the choices.
 * @param worth what an article needs, learned; without it only rules take sentences out
 */
export function asWritten(paragraphs: readonly Paragraph[], choices: WordingChoices = {}, worth: WorthModel | null = null): Written {
  const talk = paragraphs.flatMap(({ sentences, speaker }) => sentences.map(({ text }) => ({ text, ...(speaker ? { speaker } : {}) })));
  const usual = tellingOf(talk.map((s) => s.text));
  const telling = { ...usual, person: choices.person ?? usual.person };
  const worths = worth ? worthOf(talk, worth) : null;
  const recent: string[] = [];
  let at = 0;
  return {
    person: telling.person,
    paragraphs: paragraphs.map(({ speaker, sentences }) => ({
      ...(speaker ? { speaker } : {}),
      sentences: sentences.map((sentence): WrittenSentence => {
        const n = at++;
        const said = sentence.text;
        const turn = choices.turns?.[sentence.from];
        const { text, changes } = turn === 'said' ? { text: said, changes: [] } : wordedSentence(said, telling);
        const own = said.toLowerCase();
        const isAgain = recent.includes(own) && wordCount(own) > 1;
        recent.push(own);
        if (recent.length > AGAIN_WITHIN) recent.shift();
        const weighed = worths?.[n];
        const drop = droppedBy(said) ?? (changes.length ? droppedBy(text) : null);
        const proposed = isAgain
          ? 'Said already'
          : drop
            ? drop.reason
            : weighed && weighed.chances[0]! > SURELY_NOTHING
              ? 'Nothing an article needs'
              : null;
        const out = turn === 'out' ? 'Left out by the writer' : turn ? null : proposed;
        return { ...sentence, text, said, changes, out, worth: drop || isAgain ? 0 : (weighed?.expected ?? 2) };
      }),
    })),
  };
}
