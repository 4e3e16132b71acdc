import { error } from '@sveltejs/kit';
import { SHOWN_KINDS } from '@even-page/core/gather';
import { readHouse } from '$lib/server/house-style.ts';
import { listOutlets } from '$lib/server/outlets.ts';
import { readPiece } from '$lib/server/pieces.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ params }) => {
  const found = await readPiece(params.id);
  if (!found) error(404, 'This piece is not here. It may have been opened from an old link.');
  return { ...found, outlets: await listOutlets(), house: await readHouse(), kinds: SHOWN_KINDS };
};
