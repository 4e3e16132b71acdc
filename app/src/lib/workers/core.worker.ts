import { expose } from 'comlink';
import marksAddress from '@even-page/core/data/marks.bin?url';
import subjectsAddress from '@even-page/core/data/subjects.bin?url';
import type { Source } from '@even-page/core/gather/source';
import { docFromJSON } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import { proof } from '@even-page/core/proof/checks';
import { figuresOf } from '@even-page/core/proof/figures';
import { readSubjects, type Subjects } from '@even-page/core/shape/cut/subjects';
import { withStandingPart, type StandingPart } from '@even-page/core/shape/standing/parts';
import { shapeOf, type Shape } from '@even-page/core/shape/outline';
import { editsForSections, type Edit } from '@even-page/core/tidy/edit';
import { findEdits } from '@even-page/core/tidy/finders';
import { findMatches, type Query } from '@even-page/core/tidy/find';
import type { House } from '@even-page/core/tidy/house';
import { readModel, type MarksModel } from '@even-page/core/tidy/marks/model';
import { proseOf } from '@even-page/core/tidy/prose';

/** A source of the piece with the repairs taken over it. */
export type Tidied = { id: string; source: Source; edits: Edit[]; proposed: Edit[] };

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

// The material in hand, so that another number of sections is there at once.
let shaped: { key: string; shape: Shape } | undefined;

async function shapeOfMaterial(tidied: Tidied[]): Promise<Shape> {
  const material = tidied.map(({ id, source, edits, proposed }) => ({ id, source, edits: editsForSections(edits, proposed) }));
  const key = JSON.stringify(material);
  if (shaped?.key !== key) {
    const materials = material.map(({ id, source, edits }) => ({ source: id, paragraphs: proseOf(source, edits) }));
    shaped = { key, shape: shapeOf(materials, await subjects().catch(() => null)) };
  }
  return shaped.shape;
}

const work = {
  async findEdits(source: Source, house: House) {
    const marks = await marksModel().catch(() => null);
    return findEdits(source, { house, model: marks });
  },
  findMatches: (text: string, query: Query, replacement: string) => findMatches(text, query, replacement),
  /** Sections of the material: as many as given, as its length asks for, or as its subjects ask for. */
  async sections(tidied: Tidied[], count: number | 'natural') {
    const shape = await shapeOfMaterial(tidied);
    return shape.sections(count === 'natural' ? shape.natural : count);
  },
  /** The page with a standing part, or null when it says nothing that could be made of. */
  async withStandingPart(json: object, part: StandingPart): Promise<object | null> {
    return withStandingPart(docFromJSON(json), part, await subjects().catch(() => null))?.toJSON() ?? null;
  },
  proof(json: object, details: Details) {
    const doc = docFromJSON(json);
    return { findings: proof({ doc, details }), figures: figuresOf(doc) };
  },
};

export type CoreWork = typeof work;

expose(work);
