import { answer, bodyOf } from '$lib/server/answers.ts';
import { drafterSchema, listDrafters, saveDrafter } from '$lib/server/drafters/drafters.ts';
import type { RequestHandler } from './$types.ts';

export const GET: RequestHandler = () => answer(async () => ({ drafters: await listDrafters() }));

/** Adds a drafter. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const drafter = await bodyOf(request, drafterSchema);
  return answer(async () => ({ id: await saveDrafter(locals.person, null, drafter) }));
};
