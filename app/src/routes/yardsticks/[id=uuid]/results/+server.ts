import { answer } from '$lib/server/answers.ts';
import { addResults } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

/** Takes in the pages the result list has for the phrase. */
export const POST: RequestHandler = ({ params, locals }) => answer(() => addResults(locals.person, params.id));
