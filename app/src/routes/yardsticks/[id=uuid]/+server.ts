import { answer } from '$lib/server/answers.ts';
import { removeYardstick } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

/** Takes a phrase and its yardstick out. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removeYardstick(locals.person, params.id);
    return {};
  });
