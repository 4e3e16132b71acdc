import { expose } from 'comlink';
import worthAddress from '@even-page/core/data/worth.bin?url';
import marksAddress from '@even-page/core/data/marks.bin?url';
import britishRules from 'dictionary-en-gb/files/index.aff?url';
import britishWords from 'dictionary-en-gb/files/index.dic?url';
import americanRules from 'dictionary-en/files/index.aff?url';
import americanWords from 'dictionary-en/files/index.dic?url';
import subjectsAddress from '@even-page/core/data/subjects.bin?url';
import type { Rights } from '@even-page/core/dress';
import type { Source } from '@even-page/core/gather';
import { docFromJSON, schema, type Origin, type PostNode } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import type { Comfort } from '@even-page/core/theme';
import type { Brief, OwnBrief } from '@even-page/core/post/brief';
import {
  addressesOf,
  type Elsewhere,
  figuresOf,
  type OwnPost,
  proof,
  shareIn,
  stretchesOf as stretchesInPage,
  type TriedLink,
  type Usage,
} from '@even-page/core/proof';
import {
  headingsOf,
  type NamedMatter,
  type ReferencePage,
  type SharedLink,
  shinglesOn,
  type Stand,
  standOf,
  type Yardstick,
  yardstickOf,
} from '@even-page/core/yardstick';
import { shinglesOf } from '@even-page/core/language/shingles';
import { type English, makeSpeller, type Speller } from '@even-page/core/language/speller';
import { terms } from '@even-page/core/language/terms';
import { showTime } from '@even-page/core/language/times';
import { titleCase } from '@even-page/core/language/title-case';
import {
  type Belonging,
  belonging,
  type BoldHeading,
  boldHeadings,
  carriedOut,
  condense,
  type Cuttable,
  fedBy,
  type Filing,
  fill,
  type Filling,
  type Given,
  type HiddenList,
  hiddenLists,
  type Incoming,
  isOutline,
  type PartMatch,
  planDraft,
  planOutline,
  readSubjects,
  sameMatter,
  type SameMatter,
  type Shape,
  shapeOf,
  type SourceProse,
  type StandingPart,
  stretchesOf,
  type Subjects,
  tiesOf,
  withStandingPart,
} from '@even-page/core/shape';
import {
  type AskedSection,
  askedOutline,
  type BriefPart,
  briefAsOne,
  briefInSteps,
  draftRequest,
  type DraftRequest,
  filledBrief,
  type FilledBrief,
  findInMaterial,
  type FoundSentence,
  type GivenPassage,
  givenPassages,
  guard,
  type GuardFinding,
  indexOf,
  type Known,
  knownFacts,
  withOwn,
  type Leftover,
  leftovers,
  type MaterialIndex,
  nameOf,
  type Proposed,
  type RequestGround,
} from '@even-page/core/write';
import { type MadePage, makePage, type PageWishes, turnedBlock, writtenMaterial } from '@even-page/core/page';
import {
  choicesOf,
  type Edit,
  editsForSections,
  findEdits,
  findMatches,
  type House,
  type MarksModel,
  proseOf,
  type Query,
  readModel,
  readWorth,
  type WorthModel,
  type Written,
} from '@even-page/core/tidy';

/** A source of the piece with the repairs taken over it. */
export type TidiedSource = { id: string; source: Source; edits: Edit[]; proposed: Edit[] };

/** A file fetched when it is first asked for; what failed on its way is asked for again. */
function fetched<T>(address: string, read: (bytes: Uint8Array) => T): () => Promise<T> {
  let file: Promise<T> | undefined;
  return () => {
    file ??= fetch(address).then(async (response) => read(new Uint8Array(await response.arrayBuffer())));
    file.catch(() => (file = undefined));
    return file;
  };
}

const asText = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const dictionaries = {
  British: { aff: fetched(britishRules, asText), dic: fetched(britishWords, asText) },
  American: { aff: fetched(americanRules, asText), dic: fetched(americanWords, asText) },
};

const marksModel = fetched<MarksModel>(marksAddress, readModel);
const subjects = fetched<Subjects>(subjectsAddress, readSubjects);
const worth = fetched<WorthModel>(worthAddress, readWorth);

/** The material in hand, and what was made of it: another number of sections, or other words to find, are there at once. */
let held:
  | {
      key: string;
      materials: SourceProse[];
      shape?: Shape;
      index?: MaterialIndex;
      shingles?: ReadonlySet<number>;
      drafted?: DraftedFrom;
      facts?: Known;
      known?: { own: string; facts: Known };
    }
  | undefined;

/** What drafts are made from: how the material as written is told, and its stretches. */
type DraftedFrom = { person: string; passages: GivenPassage[] };

function heldMaterial(tidied: TidiedSource[]) {
  const edited = tidied.map((t) => ({ ...t, edits: editsForSections(t.edits, t.proposed) }));
  // What a source says never changes, but words may still come to it.
  const key = JSON.stringify(edited.map(({ id, source, edits }) => [id, source.passages.length, edits]));
  if (held?.key !== key)
    held = { key, materials: edited.map(({ id, source, edits }) => ({ source: id, paragraphs: proseOf(source, edits) })) };
  return held;
}

/** What makes a page of the material: what it says, and how its writer wants the wording. */
const forPage = (tidied: TidiedSource[]) =>
  tidied.map((t) => ({ source: t.id, paragraphs: proseOf(t.source, editsForSections(t.edits, t.proposed)), choices: choicesOf(t.edits) }));

const knowledge = async () => ({ subjects: await subjects().catch(() => null), worth: await worth().catch(() => null) });

/** The material as drafters are given it. */
async function draftedFrom(tidied: TidiedSource[]): Promise<DraftedFrom> {
  const material = heldMaterial(tidied);
  if (!material.drafted) {
    const { materials, person } = writtenMaterial(forPage(tidied), { length: 'all' }, await knowledge());
    material.drafted = { person, passages: givenPassages(materials) };
  }
  return material.drafted;
}

/** The facts of the material, and what the writer says besides. */
function factsOf(tidied: TidiedSource[], own: string): Known {
  const material = heldMaterial(tidied);
  material.facts ??= knownFacts(material.materials);
  if (material.known?.own !== own) material.known = { own, facts: withOwn(material.facts, own) };
  return material.known.facts;
}

type PageJson = { attrs?: Record<string, unknown>; content: object[] };

/** What a proof needs that others have to be asked for. */
export type AroundProof = {
  links: Record<string, TriedLink>;
  posts: readonly OwnPost[];
  pieces: readonly { title: string; shingles: number[] }[];
  /** The hosts of the house, whose links are inside. */
  hosts: readonly string[];
  weights: Record<string, number>;
  captionless: readonly string[];
  comfort: Comfort | null;
  /** The English the piece is spelt in, and the name of its yardstick; empty while it has none. */
  english: English;
  yardstick: string;
};

/** What drafts are held against, as it goes between the threads. */
export type SentYardstick = { matters: Omit<NamedMatter, 'direction'>[]; links: SharedLink[]; terms: number };

let speller: Speller | null = null;
const usages = new Map<string, readonly Usage[]>();

let yardstick: Yardstick | null = null;
let elsewhere: { name: string; pages: Elsewhere[]; pageHeadings: Map<string, string> } = { name: '', pages: [], pageHeadings: new Map() };
let sharing: { key: string; pieces: Elsewhere[] } = { key: '', pieces: [] };

// A sentence speaks of a matter when it says so many of its telling words.
const FEWEST_SAID = 2;

function saysMany(text: string, words: readonly string[]): boolean {
  const said = new Set(terms(text));
  return words.filter((word) => terms(word).some((term) => said.has(term))).length >= FEWEST_SAID;
}

/** The passages of a page nobody has read for how they are said. */
const unreadIn = (doc: PostNode): string[] => [
  ...new Set(stretchesInPage(doc).flatMap(({ text }) => (text.trim() && !usages.has(text) ? [text] : []))),
];

/** The shingles of what the sources say. */
function materialShingles(tidied: TidiedSource[]): ReadonlySet<number> {
  const material = heldMaterial(tidied);
  material.shingles ??= new Set(
    material.materials.flatMap(({ paragraphs }) =>
      paragraphs.flatMap((p) => shinglesOf(p.sentences.map(({ text }) => text).join(' ')).map(({ hash }) => hash)),
    ),
  );
  return material.shingles;
}

let against: TidiedSource[] = [];
let blocks = new Map<string, PostNode>();

/** A page as the editor has it, of the same blocks as the one before where they have not changed: what is known of those holds. */
function pageOf({ attrs, content }: PageJson): PostNode {
  const next = new Map<string, PostNode>();
  const children = content.map((json) => {
    const key = JSON.stringify(json);
    const block = blocks.get(key) ?? schema.nodeFromJSON(json);
    next.set(key, block);
    return block;
  });
  blocks = next;
  return schema.nodes.doc.create(attrs ?? null, children);
}

/** What a brief is made from, as it goes between the threads. */
export type BriefGround = { doc: object; details: Details; house: House; tidied: TidiedSource[]; names: Record<string, string> };

async function groundOf({ doc: json, details, house, tidied, names }: BriefGround): Promise<RequestGround & { filled: FilledBrief }> {
  const doc = docFromJSON(json);
  const own: OwnBrief = details.brief ?? {};
  const { person, passages } = await draftedFrom(tidied);
  const titles = tidied.flatMap((t) => t.source.title ?? []);
  const filled = filledBrief(own, { details, doc, titles, person, house });
  return {
    doc,
    own,
    brief: filled.brief,
    filled,
    words: details.words ?? 0,
    never: house.never,
    passages,
    nameOf: (source) => names[source] ?? '',
    placeOf: ({ origin }) => (origin.startMs === undefined ? `¶ ${origin.first + 1}` : showTime(origin.startMs)),
  };
}

/** A brief as it stands: filled in, with its outline, what feeds each section, and what is left over from another piece. */
export type StandingBrief = FilledBrief & {
  outline: AskedSection[];
  /** The stretches that feed a section, by their numbers. */
  passages: Record<string, { text: string; at: string; name: string }>;
  leftovers: Leftover[];
};

/** A request, and where its numbers of passages lead. */
export type MadeRequest = { request: DraftRequest; passages: Record<string, Origin> };

/** A proposal as it goes between the threads. */
export type SentProposal = Omit<Proposed, 'doc' | 'was' | 'others' | 'known'> & {
  doc: object;
  was: object;
  others: object[];
  brief: Brief;
};

/** A page made, as it goes between the threads: its document as JSON. */
export type SentPage = Omit<MadePage, 'doc' | 'sections'> & { doc: object };

/** A plan as it goes between the threads: documents as their JSON. */
export type Plan = { isDraft: boolean; parts: SentPart[]; planned: { match: PartMatch | null; filing: Filing }[] };
export type SentPart = Omit<Incoming, 'blocks'> & { blocks: object[] };

const received = (parts: readonly SentPart[]): Incoming[] =>
  parts.map((part) => ({ ...part, blocks: part.blocks.map((b) => schema.nodeFromJSON(b)) }));

const work = {
  async findEdits(source: Source, house: House) {
    const marks = await marksModel().catch(() => null);
    return findEdits(source, { house, model: marks });
  },
  findMatches: (text: string, query: Query, replacement: string) => findMatches(text, query, replacement),
  /** A page made of the material in one go. */
  async makePage(tidied: TidiedSource[], wishes: PageWishes, house: House): Promise<SentPage> {
    const { doc, sections: _, ...made } = makePage(forPage(tidied), wishes, await knowledge(), house);
    return { ...made, doc: doc.toJSON() as object };
  },
  /** The words of a paragraph the other way, as said or as written; null when they were changed by hand. */
  async turnedBlock(tidied: TidiedSource[], text: string, origins: Origin[]): Promise<string | null> {
    return turnedBlock(text, origins, writtenMaterial(forPage(tidied), {}, await knowledge()).materials);
  },
  /** A source as written, with nothing left out for its length. */
  async written(tidied: TidiedSource): Promise<Written> {
    const { materials, person } = writtenMaterial(forPage([tidied]), { length: 'all' }, await knowledge());
    return { person, paragraphs: [...materials[0]!.paragraphs] };
  },
  /** Sections of the material: as many as given, as its length asks for, or as its subjects ask for. */
  async sections(tidied: TidiedSource[], count: number | 'natural' | undefined, { headingCase }: House) {
    const known = await subjects().catch(() => null);
    const material = heldMaterial(tidied);
    const shape = (material.shape ??= shapeOf(writtenMaterial(forPage(tidied), { length: 'all' }, await knowledge()).materials, known));
    const found = shape.sections(count === 'natural' ? shape.natural : count);
    if (headingCase !== 'title') return found;
    return found.map((s) => ({ ...s, heading: titleCase(s.heading), headings: s.headings.map(titleCase) }));
  },
  /** The material as it is used: tidied, without its asides. */
  material: (tidied: TidiedSource[]) => heldMaterial(tidied).materials,
  /** Where each part goes on the page: those of an outline in their place, those of a draft below their headings. */
  async plan(json: object, parts: SentPart[]): Promise<Plan> {
    const doc = docFromJSON(json);
    const incoming = received(parts);
    const isDraft = !isOutline(incoming);
    const planned = (isDraft ? planDraft : planOutline)(doc, incoming, await subjects().catch(() => null));
    return { parts, isDraft, planned: planned.map(({ match, filing }) => ({ match, filing })) };
  },
  /** The page with a plan carried out. */
  carryOut: (json: object, { parts, planned }: Plan): object =>
    carriedOut(
      docFromJSON(json),
      received(parts).map((part, n) => ({ part, ...planned[n]! })),
    ).toJSON() as object,
  /** What the material says of some words, best first. */
  findInMaterial(tidied: TidiedSource[], words: string): FoundSentence[] {
    const material = heldMaterial(tidied);
    return findInMaterial((material.index ??= indexOf(material.materials)), words);
  },
  /** The page with a standing part, or null when it says nothing that could be made of. */
  async withStandingPart(json: object, part: StandingPart, given: Omit<Given, 'subjects'>): Promise<object | null> {
    const known = await subjects().catch(() => null);
    return withStandingPart(docFromJSON(json), part, { ...given, subjects: known })?.toJSON() ?? null;
  },
  /** The sentences a page needs least, for so many words. */
  condense: async (json: object, words: number, section?: string): Promise<Cuttable[]> =>
    condense(docFromJSON(json), words, { section, subjects: await subjects().catch(() => null) }),
  /** What the material still has for a page of so many words. */
  async fill(json: object, tidied: TidiedSource[], words: number, section?: string): Promise<Filling[]> {
    const doc = docFromJSON(json);
    const unused = stretchesOf(heldMaterial(tidied).materials, fedBy(tiesOf(doc)));
    return fill(doc, unused, words, { section, subjects: await subjects().catch(() => null) });
  },
  /** What a page itself offers: the lists hidden in its prose, and the places that say the same. */
  async offers(json: object): Promise<{ lists: HiddenList[]; same: SameMatter[]; belonging: Belonging[]; bold: BoldHeading[] }> {
    const doc = docFromJSON(json);
    const known = await subjects().catch(() => null);
    return { lists: hiddenLists(doc), same: sameMatter(doc, known), belonging: belonging(doc, known), bold: boldHeadings(doc) };
  },
  /** The brief of a piece as it stands. */
  async brief(given: BriefGround): Promise<StandingBrief> {
    const ground = await groundOf(given);
    const outline = askedOutline(ground);
    const fed = new Set(outline.flatMap((part) => part.passages));
    const passages = Object.fromEntries(
      ground.passages.filter((p) => fed.has(p.id)).map((p) => [p.id, { text: p.text, at: ground.placeOf(p), name: nameOf(p) }]),
    );
    const known = [given.details.title, ground.doc.textContent, ...ground.passages.map((p) => p.text)].join(' ');
    return { ...ground.filled, outline, passages, leftovers: leftovers({ brief: ground.own, sections: outline }, known) };
  },
  /** The brief as text: in one, and in steps. */
  async briefText(given: BriefGround): Promise<{ one: BriefPart; steps: BriefPart[] }> {
    const ground = await groundOf(given);
    return { one: briefAsOne(ground), steps: briefInSteps(ground) };
  },
  /** One asking of a drafter. */
  async draftRequest(given: BriefGround, ask: Parameters<typeof draftRequest>[0]): Promise<MadeRequest> {
    const ground = await groundOf(given);
    const request = draftRequest(ask, ground);
    const asked = new Set(request.passages.map((p) => p.id));
    return { request, passages: Object.fromEntries(ground.passages.filter((p) => asked.has(p.id)).map((p) => [p.id, p.origin])) };
  },
  /** The stretches of the material as drafters are given them, by their numbers. */
  async passages(tidied: TidiedSource[]): Promise<Record<string, Origin>> {
    return Object.fromEntries((await draftedFrom(tidied)).passages.map((p) => [p.id, p.origin]));
  },
  /** What the guard says of a proposal. */
  guard(tidied: TidiedSource[], { doc, was, others, brief, ...rest }: SentProposal, headings: readonly string[]): GuardFinding[] {
    const own = [brief.subject, brief.phrase, ...brief.phrases, ...brief.links, ...headings].join('. ');
    return guard({ ...rest, doc: docFromJSON(doc), was: docFromJSON(was), others: others.map(docFromJSON), known: factsOf(tidied, own) });
  },
  /** Learns to spell in an English: from then on a proof looks at spelling too. */
  async learnSpelling(english: English): Promise<void> {
    if (speller?.english === english) return;
    const files = async ({ aff, dic }: (typeof dictionaries)['British']) => ({ aff: await aff(), dic: await dic() });
    speller = makeSpeller({ British: await files(dictionaries.British), American: await files(dictionaries.American) }, english);
  },
  /** Learns what was found in how some passages are said. */
  learnUsages(found: readonly (readonly [text: string, usages: Usage[]])[]): void {
    for (const [text, said] of found) usages.set(text, said);
  },
  /** Says what pages are proofed against from now on. */
  proofAgainst(tidied: TidiedSource[]) {
    against = tidied;
  },
  /** Says which reference pages drafts are held against from now on; what those treat. */
  async measureAgainst(name: string, pages: ReferencePage[]): Promise<SentYardstick> {
    const made = yardstickOf(pages, await subjects().catch(() => null));
    yardstick = pages.length ? made : null;
    elsewhere = { name, pages: pages.map((page) => ({ title: page.title, shingles: shinglesOn(page) })), pageHeadings: headingsOf(pages) };
    const { matters, links, terms } = made;
    return { links, terms: terms.length, matters: matters.map(({ direction: _, ...matter }) => matter) };
  },
  /** How a page stands against them; null while there are none. */
  stand: (json: PageJson, title: string, hosts: readonly string[]): Stand | null =>
    yardstick && standOf(title, pageOf(json), yardstick, hosts),
  /** For each of some words where the material speaks of them most clearly; null where it does not. */
  spokenOf(tidied: TidiedSource[], wanted: readonly (readonly string[])[]): (FoundSentence | null)[] {
    if (!tidied.length) return wanted.map(() => null);
    const material = heldMaterial(tidied);
    const index = (material.index ??= indexOf(material.materials));
    return wanted.map((words) => {
      const [best] = findInMaterial(index, words.join(' '), 1);
      return best && saysMany(best.text, words) ? best : null;
    });
  },
  proof(json: PageJson, details: Details, rights: Record<string, Rights>, house: House, around: AroundProof) {
    const { pieces, hosts, english, yardstick: name, ...rest } = around;
    const doc = pageOf(json);
    const { subject = '', phrase = '', phrases = [] } = details.brief ?? {};
    const known = against.length ? factsOf(against, [...house.names, subject, phrase, ...phrases].join('. ')) : null;
    // What comes from the other thread is a copy each time.
    const key = JSON.stringify(pieces);
    if (sharing.key !== key) sharing = { key, pieces: pieces.map((p) => ({ title: p.title, shingles: new Set(p.shingles) })) };
    // What was learned for another piece says nothing of this one.
    const spelling = speller?.english === english ? speller : null;
    const found = proof({
      ...{ doc, details, rights, house, known, speller: spelling, usages, ...rest },
      ...{ ...(elsewhere.name === name ? elsewhere : {}), pieces: sharing.pieces },
    });
    const inMaterial = against.length ? shareIn(stretchesInPage(doc), materialShingles(against)) : null;
    return { ...found, figures: figuresOf(doc, hosts), addresses: addressesOf(doc), inMaterial, unread: unreadIn(doc) };
  },
};

export type CoreWork = typeof work;

expose(work);
