import { error } from '@sveltejs/kit';
import { answer } from '$lib/server/answers.ts';
import { touchedAt } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

/** When a piece was changed last. */
export const GET: RequestHandler = async ({ params }) => {
  const found = await touchedAt(params.id);
  if (!found) error(404, 'This piece is no longer here.');
  return answer(async () => ({ touchedAt: found }));
};
