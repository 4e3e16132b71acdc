import { answer } from '$lib/server/answers.ts';
import { readAgain } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

/** Reads the pages of a yardstick again. */
export const POST: RequestHandler = ({ params, locals }) => answer(() => readAgain(locals.person, params.id));
