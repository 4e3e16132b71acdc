import { answer } from '$lib/server/answers.ts';
import { hear, hearAgain } from '$lib/server/recordings.ts';
import type { RequestHandler } from './$types.ts';

/** How far the transcriber is. */
export const GET: RequestHandler = ({ params }) => answer(async () => ({ hearing: await hear(params.source) }));

/** Asks the transcriber once more. */
export const POST: RequestHandler = ({ params }) => answer(async () => ({ hearing: await hearAgain(params.source) }));
