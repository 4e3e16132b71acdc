import { error } from '@sveltejs/kit';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { reach } from '$lib/server/drafters/drafters.ts';
import { askForRound, askSchema, listRounds } from '$lib/server/drafters/rounds.ts';
import { eventsOf } from '$lib/server/drafters/sent-events.ts';
import type { RequestHandler } from './$types.ts';

// Ten hours of passages, and the page they are to stand on.
const MOST_ASKED = 24 * 1024 * 1024;

/** The rounds of a piece, the newest first. */
export const GET: RequestHandler = ({ params }) => answer(async () => ({ rounds: await listRounds(params.id) }));

/** Asks a drafter; what comes is told as it comes. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const ask = await bodyOf(request, askSchema, MOST_ASKED);
  return answer(async () => {
    const stop = new AbortController();
    try {
      const news = await askForRound(locals.person, params.id, ask, await reach(ask.drafter), stop.signal);
      if (!news) error(404, 'This piece is no longer here.');
      return eventsOf(news, () => stop.abort());
    } catch (cause) {
      if (cause instanceof RangeError) error(400, 'The request did not arrive whole. Nothing was changed; try again.');
      throw cause;
    }
  });
};
