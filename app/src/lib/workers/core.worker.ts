import { expose } from 'comlink';
import worthAddress from '@even-page/core/data/worth.bin?url';
import marksAddress from '@even-page/core/data/marks.bin?url';
import subjectsAddress from '@even-page/core/data/subjects.bin?url';
import type { Source } from '@even-page/core/gather';
import { docFromJSON, schema, type Origin } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import { figuresOf, proof } from '@even-page/core/proof';
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
import { findInMaterial, type FoundSentence, indexOf, type MaterialIndex } from '@even-page/core/write';
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

const marksModel = fetched<MarksModel>(marksAddress, readModel);
const subjects = fetched<Subjects>(subjectsAddress, readSubjects);
const worth = fetched<WorthModel>(worthAddress, readWorth);

/** The material in hand, and what was made of it: another number of sections, or other words to find, are there at once. */
let held: { key: string; materials: SourceProse[]; shape?: Shape; index?: MaterialIndex } | undefined;

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
  proof(json: object, details: Details) {
    const doc = docFromJSON(json);
    return { findings: proof({ doc, details }), figures: figuresOf(doc) };
  },
};

export type CoreWork = typeof work;

expose(work);
