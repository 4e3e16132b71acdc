import { expose } from 'comlink';
import type { Source } from '@even-page/core/gather/source';
import { docFromJSON } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import { proof } from '@even-page/core/proof/checks';
import { figuresOf } from '@even-page/core/proof/figures';
import { proposeSections } from '@even-page/core/shape/outline';
import type { Edit } from '@even-page/core/tidy/edit';
import { findEdits } from '@even-page/core/tidy/finders';
import { proseOf } from '@even-page/core/tidy/prose';

/** A source of the piece with the repairs taken over it. */
export type Tidied = { id: string; source: Source; edits: Edit[] };

const work = {
  findEdits,
  sections: (tidied: Tidied[], count?: number) =>
    proposeSections(
      tidied.map(({ id, source, edits }) => ({ source: id, paragraphs: proseOf(source, edits) })),
      count,
    ),
  proof(json: object, details: Details) {
    const doc = docFromJSON(json);
    return { findings: proof({ doc, details }), figures: figuresOf(doc) };
  },
};

export type CoreWork = typeof work;

expose(work);
