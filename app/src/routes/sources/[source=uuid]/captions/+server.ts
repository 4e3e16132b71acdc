import { answer } from '$lib/server/answers.ts';
import { captionsOf } from '$lib/server/captions.ts';
import type { RequestHandler } from './$types.ts';

/** The words of a recording as captions. */
export const GET: RequestHandler = ({ params }) =>
  answer(async () => new Response(await captionsOf(params.source), { headers: { 'content-type': 'text/vtt; charset=utf-8' } }));
