import { error } from '@sveltejs/kit';
import { answer } from '$lib/server/answers.ts';
import { readPiece } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

/** A piece as data, for those who ask for JSON at its address. */
export const GET: RequestHandler = async ({ params }) => {
  const found = await readPiece(params.id);
  if (!found) error(404, 'This piece is not here.');
  return answer(async () => found);
};
