import { titleCase } from '../language/title-case.ts';
import { terms } from '../language/terms.ts';
import { wordCount } from '../language/words.ts';
import { DESCRIPTION_LENGTH } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import {
  alone,
  atMost,
  centrality,
  type HeadedSentence,
  hiddenLists,
  isStatement,
  LEAST_NEEDED,
  pointsBack,
  type ProposedSection,
  shapeOf,
  type SourceProse,
  type Subjects,
  usualLength,
  withList,
  writeSections,
} from '../shape/index.ts';
import {
  asWritten,
  DEEDS,
  type House,
  isOut,
  isSpoken,
  type Paragraph,
  type ProseSentence,
  saidOf,
  type ToldBy,
  usualHouse,
  type WordingChoices,
  type WorthModel,
} from '../tidy/index.ts';
import { factsOf, type Fact } from './facts.ts';
import { proposeTitles } from './titles.ts';

/** Tidied material, and how the writer wants its wording. */
export type PageMaterial = SourceProse & { choices?: WordingChoices };

/** What the writer asks of a page: its words (as many as its material asks for when not given) and its sections. */
export type PageWishes = { length?: number | 'all'; sections?: number };

/** What is known of words beforehand. */
export type PageTools = { subjects: Subjects | null; worth: WorthModel | null };

/** What was done to make a page, in counts; words and sentences of the material, sections of the body. */
export type Account = {
  said: number;
  words: number;
  sentences: number;
  changed: number;
  person: ToldBy;
  sections: number;
  lists: number;
  /** Words that stay off the page, by why. */
  out: { reason: string; words: number; sentences: number }[];
  /** Headings that want the writer. */
  unsure: { heading: string; headings: string[] }[];
};

/** A sentence that stays off the page, and why. */
export type LeftOut = { source: string; sentence: ProseSentence; reason: string };

/** A page made of material in one go. */
export type MadePage = {
  sections: ProposedSection[];
  doc: PostNode;
  titles: string[];
  standfirst: string;
  description: string;
  leftOut: LeftOut[];
  facts: Fact[];
  account: Account;
};

/** Material as it is written: talk worded, and as long as wished; other material as it stands. */
export function writtenMaterial(
  materials: readonly PageMaterial[],
  { length }: PageWishes,
  { worth }: PageTools,
): { materials: SourceProse[]; person: ToldBy } {
  let person: ToldBy = 'as-said';
  const written = materials.map(({ source, paragraphs, choices }) => {
    if (!isSpoken(paragraphs)) return { source, paragraphs };
    const worded = asWritten(paragraphs, choices, worth);
    person = worded.person;
    return { source, paragraphs: worded.paragraphs };
  });
  const all = written.flatMap((m) => m.paragraphs);
  if (length === 'all' || !all.some((p) => p.sentences.some((s) => s.wording))) return { materials: written, person };
  const cut = atMost(all, length ?? usualLength(all));
  let at = 0;
  return { materials: written.map(({ source, paragraphs }) => ({ source, paragraphs: cut.slice(at, (at += paragraphs.length)) })), person };
}

/**
 * A page made of tidied material: talk as written, what no page needs left out, in headed sections, with steps as lists, a
 * title, a standfirst and a description. Nothing stands on it that was not said.
 * @param house how headings are written, and how it is said who speaks
 */
export function makePage(
  given: readonly PageMaterial[],
  wishes: PageWishes,
  tools: PageTools,
  { headingCase, voices }: Pick<House, 'headingCase' | 'voices'> = usualHouse(),
): MadePage {
  const written = writtenMaterial(given, wishes, tools);
  const { person } = written;
  const found = shapeOf(written.materials, tools.subjects).sections(wishes.sections);
  const echoOfSection = new Map(found.map((s) => [s, echoOf(s)]));
  const echoes = new Set(echoOfSection.values());
  const out = (s: ProseSentence) => (echoes.has(s) ? { ...s, wording: { ...s.wording!, out: SAYS_HEADING } } : s);
  const materials = written.materials.map((m) => ({
    ...m,
    paragraphs: m.paragraphs.map((p) => ({ ...p, sentences: p.sentences.map(out) })),
  }));
  const cased = headingCase === 'title' ? titleCase : (heading: string) => heading;
  // A page of one section needs no heading.
  const sections = found.map((s) => ({
    ...s,
    words: s.words - wordCount(echoOfSection.get(s)?.text ?? ''),
    paragraphs: s.paragraphs.flatMap((p) => {
      const sentences = p.sentences.filter((sentence) => !echoes.has(sentence));
      return sentences.length ? [{ ...p, sentences }] : [];
    }),
    heading: found.length > 1 ? cased(s.heading) : '',
    headings: s.headings.map(cased),
  }));
  const { doc, lists } = withLists(writeSections(sections, voices));
  const all = materials.flatMap((m) => m.paragraphs.flatMap((p) => p.sentences));
  const [standfirst, description] = summaries(sections, tools.subjects);
  return {
    sections,
    doc,
    titles: proposeTitles(all.map(headed), tools.subjects),
    standfirst,
    description,
    leftOut: materials.flatMap(({ source, paragraphs }) =>
      paragraphs.flatMap((p) => p.sentences.filter(isOut).map((sentence) => ({ source, sentence, reason: sentence.wording!.out! }))),
    ),
    facts: factsOf(materials),
    account: accountOf(materials, sections, person, lists),
  };
}

/** Why the first sentence of a section may not stand there. */
const SAYS_HEADING = 'Says what the heading says';

const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/^(?:the|an?) /, '')
    .replace(/[^\p{L}\p{N} ]/gu, '')
    .trim();

/** The first sentence of a section of talk, when it only says its heading ("The moon.") and is not all there is. */
function echoOf({ paragraphs, heading }: ProposedSection): ProseSentence | undefined {
  const [first, ...rest] = paragraphs.flatMap((p) => p.sentences);
  return rest.length && first!.wording && bare(first!.text) === bare(heading) ? first : undefined;
}

const headed = (s: ProseSentence): HeadedSentence => ({ said: saidOf(s), text: s.text, worth: s.wording?.worth ?? 2 });

/** The page with the steps and the counted things in it as numbered lists. */
function withLists(doc: PostNode): { doc: PostNode; lists: number } {
  const found = hiddenLists(doc).filter((list) => list.kind === 'steps' || list.kind === 'counted');
  let made = doc;
  // From the last to the first: what stands before a list keeps its place.
  for (const list of found.toReversed()) made = withList(made, list, 'numbers');
  return { doc: made, lists: found.length };
}

// What the speaker tells of oneself promises a reader little.
const OWN = /\b(?:I|I'm|I've|I'll|my|me|we|our)\b/;
const TO_THE_ROOM = /\b(?:tonight|today|this (?:evening|morning|afternoon|video|talk)|thank you|welcome|i'm \w+|my name)\b/i;

// A standfirst says what the page gives: in a sentence of middling length, about what is said most, not a scene from it.
const SCENE = /\b(?:here|there|this one|that one|look|tomorrow|yesterday|now)\b/i;
const STEP = new RegExp(`^(?:${[...DEEDS].join('|')})\\b`, 'i');
const SHORTEST = 7;
const LONGEST = 26;
const NEEDED = 2.2;

/** A standfirst and a description: the sentences most central to all that is said, those that promise or conclude first. */
function summaries(sections: readonly ProposedSection[], subjects: Subjects | null): [standfirst: string, description: string] {
  const all = sections.flatMap(({ role, paragraphs }) => paragraphs.flatMap((p) => p.sentences.map((sentence) => ({ role, sentence }))));
  const central = centrality(
    [{ id: '', heading: '', from: 0, sentences: all.map(({ sentence }) => ({ text: sentence.text, origins: [] })) }],
    subjects,
  );
  const counts = new Map<string, number>();
  for (const { sentence } of all) for (const s of terms(sentence.text)) counts.set(s, (counts.get(s) ?? 0) + 1);
  const most = new Set(
    [...counts]
      .sort((a, b) => b[1] - a[1])
      .slice(0, 5)
      .map(([s]) => s),
  );
  const ranked = all
    .filter(({ sentence }) => (sentence.wording?.worth ?? NEEDED) >= NEEDED)
    .flatMap(({ role, sentence }) => sentence.text.split(/(?<=[.!])\s+(?=\p{Lu})/u).map((text) => ({ role, text: alone(text) })))
    .filter(({ text }) => /[.!]$/.test(text) && isStatement(text) && !pointsBack(text) && !TO_THE_ROOM.test(text))
    .filter(({ text }) => wordCount(text) >= SHORTEST && wordCount(text) <= LONGEST)
    .map(({ role, text }) => {
      const about = new Set(terms(text).filter((s) => most.has(s))).size;
      const doubts =
        (OWN.test(text) ? 0.5 : 1) * (SCENE.test(text) ? 0.5 : 1) * (text.split(',').length > 3 ? 0.6 : 1) * (STEP.test(text) ? 0.5 : 1);
      return { text, score: central(text) * (1 + 0.4 * about) * doubts * (role === 'body' ? 1 : 1.4) };
    })
    .sort((a, b) => b.score - a.score);
  const [first] = ranked;
  if (!first) return ['', ''];
  const short = ranked.find(({ text }) => text.length <= DESCRIPTION_LENGTH.most)?.text ?? '';
  const told = new Set(terms(short));
  const other = ranked.find(
    ({ text }) =>
      text !== short && terms(text).filter((t) => told.has(t)).length <= 2 && short.length + text.length < DESCRIPTION_LENGTH.most,
  );
  return [first.text, [short, other?.text].filter(Boolean).join(' ')];
}

function accountOf(materials: readonly SourceProse[], sections: readonly ProposedSection[], person: ToldBy, lists: number): Account {
  const all = materials.flatMap((m) => m.paragraphs.flatMap((p: Paragraph) => p.sentences));
  const out = new Map<string, { reason: string; words: number; sentences: number }>();
  for (const s of all) {
    if (!isOut(s)) continue;
    const reason = s.wording!.out!;
    const sum = out.get(reason) ?? { reason, words: 0, sentences: 0 };
    sum.words += wordCount(saidOf(s));
    sum.sentences++;
    out.set(reason, sum);
  }
  const bodies = sections.filter((s) => s.role === 'body' && s.words);
  return {
    said: all.reduce((sum, s) => sum + wordCount(saidOf(s)), 0),
    words: sections.reduce((sum, s) => sum + s.words, 0),
    sentences: all.length,
    changed: all.filter((s) => s.wording?.changes.length && !isOut(s)).length,
    person,
    sections: bodies.length,
    lists,
    out: [...out.values()].sort((a, b) => Number(a.reason === LEAST_NEEDED) - Number(b.reason === LEAST_NEEDED) || b.words - a.words),
    unsure: bodies.filter((s) => !s.isSure).map(({ heading, headings }) => ({ heading, headings })),
  };
}
