import { answer } from '$lib/server/answers.ts';
import { transcribeAgain, transcribingOf } from '$lib/server/recordings.ts';
import type { RequestHandler } from './$types.ts';

/** How the transcriber stands with a recording. */
export const GET: RequestHandler = ({ params }) => answer(async () => ({ transcribing: await transcribingOf(params.source) }));

/** Asks the transcriber once more. */
export const POST: RequestHandler = ({ params, locals }) =>
  answer(async () => ({ transcribing: await transcribeAgain(locals.person, params.source) }));
