import { wordCount, words as wordsIn } from '../../language/words.ts';
import { isEnglish, isTalk } from '../../language/spoken.ts';
import { normal } from '../../language/terms.ts';
import { saidOf, type Paragraph, type WordingChange } from '../prose.ts';
import { droppedBy } from './drops.ts';
import { DEEDS } from './kinds.ts';
import { readied, use, Wording, type ToldBy, type ReadyRule, type Rule, type Telling } from './rule.ts';
import { clefts } from './rules/clefts.ts';
import { future } from './rules/future.ts';
import { lightVerbs } from './rules/light-verbs.ts';
import { openers } from './rules/openers.ts';
import { padding } from './rules/padding.ts';
import { persons } from './rules/person.ts';
import { pointing } from './rules/pointing.ts';
import { split } from './splits.ts';
import { textOf, tokensOf } from './tokens.ts';
import { worthOf, type WorthModel } from './worth.ts';

/** How the writer wants a sentence, whatever the rules say: as it was said, in, or out. */
export type Turn = 'said' | 'in' | 'out';

/**
 * What is kept of the wording of a source: the person, or "as-said" when all stays as it was said, and the sentences turned by
 * hand, by where they begin in its flow.
 */
export type WordingChoices = { person?: ToldBy; turns?: Readonly<Record<number, Turn>> };

/** A talk as written, and who it is told by or to. */
export type Written = { person: ToldBy; paragraphs: Paragraph[] };

// In this order; those in the middle make room for each other, and are used twice.
const FIRST = [openers];
const TWICE = [clefts, lightVerbs, pointing, padding];
const LAST = [persons, future, openers];
const ready = (rules: readonly (readonly Rule[])[]): ReadyRule[] => rules.flat().map(readied);
const PASSES = [ready(FIRST), ready(TWICE), ready(TWICE), ready(LAST)];

/** Every rule of wording, by name: a test looks at each. */
export const WORDING_RULES: readonly Rule[] = [...FIRST, ...TWICE, ...LAST.slice(0, -1)].flat();

/** A sentence as written, and what was done to it. */
export function wordedSentence(said: string, telling: Telling): { text: string; changes: WordingChange[]; isInstruction: boolean } {
  const { all: words, end } = tokensOf(said);
  const wording = new Wording(words, end, telling);
  const changes: WordingChange[] = [];
  for (const pass of PASSES) {
    for (const rule of pass)
      if (use(rule, wording) && !changes.some((c) => c.rule === rule.name)) changes.push({ rule: rule.name, reason: rule.reason });
  }
  const parts = /^[.…]?$/.test(end) ? split(wording.all) : [[...wording.all]];
  if (parts.length > 1) changes.push({ rule: 'run-on', reason: 'Too long for one sentence' });
  const text = parts.map((part, i) => textOf({ all: part, end: i < parts.length - 1 ? '.' : end })).join(' ');
  return { text: changes.length ? text : said, changes, isInstruction: wording.isInstruction };
}

const FIRST_PERSON = /(?:^|[,;] |\b(?:and|but|so|that|because|if|when|then) )(?:I|we|We|I'm|I've|I'll|we're|we've|we'll|I'd)\b/;
// Of sentences told by the speaker, so many can be turned to the reader; of all, so many tell deeds.
const TURNED = 0.2;
const DEEDS_TOLD = 0.08;

// Of the sentences of a how-to talk, so many tell the listener a deed.
const HOW_TO = 0.05;

// So many sentences, from all over a talk, say how it is told.
const LOOKED_AT = 240;
const evenly = <T>(all: readonly T[], most: number): T[] =>
  all.filter((_, i) => Math.floor((i * most) / all.length) !== Math.floor(((i - 1) * most) / all.length));

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
    if (isInstruction || DEEDS.has(firstWord(text))) deeds++;
  }
  const share = deeds / Math.max(1, looked.length);
  return { person: turned / Math.max(1, turned + told) >= TURNED && share >= DEEDS_TOLD ? 'you' : 'i', isHowTo: share >= HOW_TO };
}

// What a sentence is taken to be worth when nothing is known.
const USUAL = 2;
// A sentence goes when the chance that no article needs it is so great (chosen on talks with an editor's weights).
const NOTHING_NEEDED = 0.32;
// What tells a deed or a warning stays unless that is likelier than not; a figure or a full name, unless nothing speaks for it.
const NO_STEP_NEEDED = 0.5;
const NO_FACT_NEEDED = 0.8;
const FACT = /\d|(?<=\p{Ll},? )\p{Lu}\p{Ll}+ \p{Lu}\p{Ll}/u;
const WARNING = /\b(?:never|don['’]t|must|please|careful)\b/i;
const AGAIN_WITHIN = 4;
// Of fewer sentences too little is known to say what is needed.
const FEWEST_WEIGHED = 20;

const firstWord = (text: string): string => /^[a-z-]+/i.exec(text)?.[0].toLowerCase() ?? '';
/** How likely it must be that no article needs a sentence before it goes. */
const mostDoubt = (text: string): number =>
  FACT.test(text) ? NO_FACT_NEEDED : WARNING.test(text) || DEEDS.has(firstWord(text)) ? NO_STEP_NEEDED : NOTHING_NEEDED;

/** Whether paragraphs are English talk, the only thing wording is for: they read so, or their words have times. */
export function isSpoken(paragraphs: readonly Paragraph[]): boolean {
  const sentences = paragraphs.flatMap((p) => p.sentences);
  const said = sentences.flatMap((s) => wordsIn(saidOf(s)).map((w) => normal(w.text)));
  return isTalk(said) || (sentences.some((s) => s.startMs !== undefined) && isEnglish(said));
}

/**
 * A talk as an editor would write it down, by small changes alone: words that carry nothing go, deeds are told to the
 * reader, and whole sentences go that no article needs. Each change can be taken back: what is written depends on nothing
 * but the talk and the choices.
 * @param worth what an article needs, learned; without it only rules take sentences out
 */
export function asWritten(paragraphs: readonly Paragraph[], choices: WordingChoices = {}, worth: WorthModel | null = null): Written {
  if (choices.person === 'as-said') return { person: 'as-said', paragraphs: [...paragraphs] };
  const talk = paragraphs.flatMap(({ sentences, speaker }) => sentences.map(({ text }) => ({ text, ...(speaker ? { speaker } : {}) })));
  const usual = tellingOf(talk.map((s) => s.text));
  const telling = { ...usual, person: choices.person ?? usual.person };
  const worths = worth && talk.length >= FEWEST_WEIGHED ? worthOf(talk, worth) : null;
  const recent: string[] = [];
  let at = 0;
  return {
    person: telling.person,
    paragraphs: paragraphs.map(({ speaker, sentences }) => ({
      ...(speaker ? { speaker } : {}),
      sentences: sentences.map((sentence) => {
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
            : weighed && weighed.chances[0]! > mostDoubt(text)
              ? 'Nothing an article needs'
              : null;
        const out = turn === 'out' ? 'Left out by the writer' : turn ? null : proposed;
        return {
          ...sentence,
          text,
          wording: {
            said,
            changes,
            out,
            worth: drop || isAgain ? 0 : weighed ? 0.5 * weighed.expected + 1.5 * (1 - weighed.chances[0]!) : USUAL,
          },
        };
      }),
    })),
  };
}
