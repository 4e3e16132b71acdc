import { answer } from '$lib/server/answers.ts';
import { removeCover } from '$lib/server/covers.ts';
import type { RequestHandler } from './$types.ts';

/** Takes a template out. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removeCover(locals.person, params.id);
    return {};
  });
