import { error } from '@sveltejs/kit';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { keepPasted, pastedSchema } from '$lib/server/drafters/rounds.ts';
import type { RequestHandler } from './$types.ts';

const MOST_PASTED = 12 * 1024 * 1024;

/** Keeps an answer that was fetched by hand, as a round. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const pasted = await bodyOf(request, pastedSchema, MOST_PASTED);
  return answer(async () => {
    try {
      const round = await keepPasted(locals.person, params.id, pasted);
      if (!round) error(404, 'This piece is no longer here.');
      return { round };
    } catch (cause) {
      if (cause instanceof RangeError) error(400, 'The request did not arrive whole. Nothing was changed; try again.');
      throw cause;
    }
  });
};
