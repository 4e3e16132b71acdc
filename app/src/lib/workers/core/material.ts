import type { Source } from '@even-page/core/gather';
import { shinglesOf } from '@even-page/core/language/shingles';
import { writtenMaterial } from '@even-page/core/page';
import type { Shape, SourceProse } from '@even-page/core/shape';
import { choicesOf, type Edit, editsForSections, proseOf } from '@even-page/core/tidy';
import { type GivenPassage, givenPassages, indexOf, type Known, knownFacts, type MaterialIndex, withOwn } from '@even-page/core/write';
import { knowledge } from './fetched.ts';

/** A source of the piece with the repairs taken over it. */
export type TidiedSource = { id: string; source: Source; edits: Edit[]; proposed: Edit[] };

type HeldMaterial = {
  key: string;
  materials: SourceProse[];
  shape?: Shape;
  index?: MaterialIndex;
  shingles?: ReadonlySet<number>;
  drafted?: DraftedFrom;
  facts?: Known;
  known?: { own: string; facts: Known };
};

// All of the material, and those of its sources a page is held against.
const MOST_HELD = 2;

/** The material in hand, and what was made of it: another number of sections, or other words to find, are there at once. */
let held: HeldMaterial[] = [];

/** What drafts are made from: how the material as written is told, and its stretches. */
type DraftedFrom = { person: string; passages: GivenPassage[] };

/** The material in hand; what is made of it is kept with it. */
export function heldMaterial(tidied: TidiedSource[]): HeldMaterial {
  const edited = tidied.map((t) => ({ ...t, edits: editsForSections(t.edits, t.proposed) }));
  // What a source says never changes, but words may still come to it.
  const key = JSON.stringify(edited.map(({ id, source, edits }) => [id, source.passages.length, edits]));
  const found = held.find((one) => one.key === key) ?? {
    key,
    materials: edited.map(({ id, source, edits }) => ({ source: id, paragraphs: proseOf(source, edits) })),
  };
  held = [found, ...held.filter((one) => one !== found)].slice(0, MOST_HELD);
  return found;
}

/** What makes a page of the material: what it says, and how its writer wants the wording. */
export const forPage = (tidied: TidiedSource[]) =>
  tidied.map((t) => ({ source: t.id, paragraphs: proseOf(t.source, editsForSections(t.edits, t.proposed)), choices: choicesOf(t.edits) }));

/** The material as drafters are given it. */
export async function draftedFrom(tidied: TidiedSource[]): Promise<DraftedFrom> {
  const material = heldMaterial(tidied);
  if (!material.drafted) {
    const { materials, person } = writtenMaterial(forPage(tidied), { length: 'all' }, await knowledge());
    material.drafted = { person, passages: givenPassages(materials) };
  }
  return material.drafted;
}

/** The facts of the material, and what the writer says besides. */
export function factsOf(tidied: TidiedSource[], own: string): Known {
  const material = heldMaterial(tidied);
  material.facts ??= knownFacts(material.materials);
  if (material.known?.own !== own) material.known = { own, facts: withOwn(material.facts, own) };
  return material.known.facts;
}

/** The shingles of what the sources say. */
export function materialShingles(tidied: TidiedSource[]): ReadonlySet<number> {
  const material = heldMaterial(tidied);
  material.shingles ??= new Set(
    material.materials.flatMap(({ paragraphs }) =>
      paragraphs.flatMap((p) => shinglesOf(p.sentences.map(({ text }) => text).join(' ')).map(({ hash }) => hash)),
    ),
  );
  return material.shingles;
}

/** The material, ready to be looked through. */
export function materialIndex(tidied: TidiedSource[]): MaterialIndex {
  const material = heldMaterial(tidied);
  return (material.index ??= indexOf(material.materials));
}
