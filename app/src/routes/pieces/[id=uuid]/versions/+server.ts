import { error } from '@sveltejs/kit';
import { answer } from '$lib/server/answers.ts';
import { listVersions } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

/** The versions of a piece that are kept, the newest first. */
export const GET: RequestHandler = async ({ params }) => {
  const found = await listVersions(params.id);
  if (!found) error(404, 'This piece is not here.');
  return answer(async () => found);
};
