import { expose } from 'comlink';
import marksAddress from '@even-page/core/data/marks.bin?url';
import type { Source } from '@even-page/core/gather/source';
import { docFromJSON } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import { proof } from '@even-page/core/proof/checks';
import { figuresOf } from '@even-page/core/proof/figures';
import { proposeSections } from '@even-page/core/shape/outline';
import { editsForSections, type Edit } from '@even-page/core/tidy/edit';
import { findEdits } from '@even-page/core/tidy/finders';
import { findMatches, type Query } from '@even-page/core/tidy/find';
import type { House } from '@even-page/core/tidy/house';
import { readModel, type MarksModel } from '@even-page/core/tidy/marks/model';
import { proseOf } from '@even-page/core/tidy/prose';

/** A source of the piece with the repairs taken over it. */
export type Tidied = { id: string; source: Source; edits: Edit[]; proposed: Edit[] };

let model: Promise<MarksModel> | undefined;

/** The network for marks, fetched with the first source that is tidied. */
function marksModel(): Promise<MarksModel> {
  model ??= fetch(marksAddress).then(async (response) => readModel(new Uint8Array(await response.arrayBuffer())));
  // What failed on its way is asked for again.
  model.catch(() => (model = undefined));
  return model;
}

const work = {
  async findEdits(source: Source, house: House) {
    const marks = await marksModel().catch(() => null);
    return findEdits(source, { house, model: marks });
  },
  findMatches: (text: string, query: Query, replacement: string) => findMatches(text, query, replacement),
  sections: (tidied: Tidied[], count?: number) =>
    proposeSections(
      tidied.map(({ id, source, edits, proposed }) => ({ source: id, paragraphs: proseOf(source, editsForSections(edits, proposed)) })),
      count,
    ),
  proof(json: object, details: Details) {
    const doc = docFromJSON(json);
    return { findings: proof({ doc, details }), figures: figuresOf(doc) };
  },
};

export type CoreWork = typeof work;

expose(work);
