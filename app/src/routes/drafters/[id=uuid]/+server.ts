import { answer, bodyOf } from '$lib/server/answers.ts';
import { drafterSchema, removeDrafter, saveDrafter } from '$lib/server/drafters/drafters.ts';
import type { RequestHandler } from './$types.ts';

/** Changes a drafter; a key that is left empty stays. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const drafter = await bodyOf(request, drafterSchema);
  return answer(async () => ({ id: await saveDrafter(locals.person, params.id, drafter) }));
};

/** Takes a drafter out. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removeDrafter(locals.person, params.id);
    return {};
  });
