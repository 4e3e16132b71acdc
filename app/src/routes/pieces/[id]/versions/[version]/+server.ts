import { error } from '@sveltejs/kit';
import { answer } from '$lib/server/answers.ts';
import { readVersion } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

/** A piece as it was saved at a version. */
export const GET: RequestHandler = async ({ params }) => {
  const found = await readVersion(params.id, Number(params.version));
  if (!found) error(404, 'This version is not here.');
  return answer(async () => found);
};
