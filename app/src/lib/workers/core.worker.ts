import { expose } from 'comlink';
import type { Source } from '@even-page/core/gather';
import { titleCase } from '@even-page/core/language/title-case';
import { type MadePage, makePage, type PageWishes, turnedBlock, writtenMaterial } from '@even-page/core/page';
import { docFromJSON, schema, type Origin } from '@even-page/core/post/schema';
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
  sameMatter,
  type SameMatter,
  shapeOf,
  type StandingPart,
  stretchesOf,
  tiesOf,
  withStandingPart,
} from '@even-page/core/shape';
import { findEdits, findMatches, type House, type Query, type Written } from '@even-page/core/tidy';
import { findInMaterial, type FoundSentence } from '@even-page/core/write';
import { drafting } from './core/drafting.ts';
import { knowledge, marksModel, subjects } from './core/fetched.ts';
import { forPage, heldMaterial, materialIndex, type TidiedSource } from './core/material.ts';
import { proofing } from './core/proofing.ts';

/** A page made, as it goes between the threads: its document as JSON. */
export type SentPage = Omit<MadePage, 'doc' | 'sections'> & { doc: object };

/** A plan as it goes between the threads: documents as their JSON. */
export type Plan = { isDraft: boolean; parts: SentPart[]; planned: { match: PartMatch | null; filing: Filing }[] };
export type SentPart = Omit<Incoming, 'blocks'> & { blocks: object[] };

const received = (parts: readonly SentPart[]): Incoming[] =>
  parts.map((part) => ({ ...part, blocks: part.blocks.map((b) => schema.nodeFromJSON(b)) }));

/** Tidy, and the page made of the material. */
const making = {
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
    return findInMaterial(materialIndex(tidied), words);
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
};

const work = { ...making, ...drafting, ...proofing };

export type CoreWork = typeof work;

expose(work);
