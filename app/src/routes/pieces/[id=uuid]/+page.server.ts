import { error } from '@sveltejs/kit';
import { SHOWN_KINDS } from '@even-page/core/gather';
import { filesOf } from '@even-page/core/post/pictures';
import { docFromJSON } from '@even-page/core/post/schema';
import { clipsAt } from '$lib/server/dressing.ts';
import { listDrafters } from '$lib/server/drafters/drafters.ts';
import { readHouse } from '$lib/server/house-style.ts';
import { listOutlets } from '$lib/server/outlets.ts';
import { picturesAt } from '$lib/server/pictures.ts';
import { readPiece } from '$lib/server/pieces.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ params }) => {
  const found = await readPiece(params.id);
  if (!found) error(404, 'This piece is not here. It may have been opened from an old link.');
  const named = filesOf(docFromJSON(found.piece.doc));
  const { cover } = found.piece.details;
  const dress = { pictures: await picturesAt(cover ? [...named, cover] : named), clips: await clipsAt(named) };
  return { ...found, dress, outlets: await listOutlets(), house: await readHouse(), drafters: await listDrafters(), kinds: SHOWN_KINDS };
};
