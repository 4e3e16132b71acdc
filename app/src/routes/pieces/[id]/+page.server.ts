import { error } from '@sveltejs/kit';
import { listOutlets } from '$lib/server/outlets.ts';
import { readPiece } from '$lib/server/pieces.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ params }) => {
  const found = await readPiece(params.id);
  if (!found) error(404, 'This piece is not here. It may have been opened from an old link.');
  const { piece, sources, postings } = found;
  return {
    piece: { id: piece.id, version: piece.version, step: piece.step, doc: piece.doc, details: piece.details, touchedAt: piece.touchedAt },
    sources,
    postings,
    outlets: await listOutlets(),
  };
};
