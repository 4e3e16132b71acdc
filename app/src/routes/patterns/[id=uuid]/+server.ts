import { answer } from '$lib/server/answers.ts';
import { removePattern } from '$lib/server/drafters/patterns.ts';
import type { RequestHandler } from './$types.ts';

/** Takes a pattern out. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removePattern(locals.person, params.id);
    return {};
  });
