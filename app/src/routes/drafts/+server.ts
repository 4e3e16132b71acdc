import { object, string } from 'yup';
import { draftRequestSchema } from '@even-page/core/write';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { askDrafter } from '$lib/server/drafters/ask-drafter.ts';
import { reach } from '$lib/server/drafters/drafters.ts';
import { eventsOf } from '$lib/server/drafters/sent-events.ts';
import { told } from '$lib/server/drafters/told.ts';
import type { RequestHandler } from './$types.ts';

const askSchema = object({ drafter: string().required().max(40), request: draftRequestSchema.required() });
const MOST_ASKED = 24 * 1024 * 1024;

/** Asks a drafter for what belongs to no piece yet, such as ideas; what comes is told as it comes, and kept nowhere. */
export const POST: RequestHandler = async ({ request }) => {
  const ask = await bodyOf(request, askSchema, MOST_ASKED);
  return answer(async () => {
    const stop = new AbortController();
    return eventsOf(told(askDrafter(await reach(ask.drafter), ask.request, stop.signal)), () => stop.abort());
  });
};
