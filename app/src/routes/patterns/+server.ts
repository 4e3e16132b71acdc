import { answer, bodyOf } from '$lib/server/answers.ts';
import { keepPattern, listPatterns, patternSchema } from '$lib/server/drafters/patterns.ts';
import type { RequestHandler } from './$types.ts';

export const GET: RequestHandler = () => answer(async () => ({ patterns: await listPatterns() }));

/** Keeps a brief under a name. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const pattern = await bodyOf(request, patternSchema);
  return answer(async () => {
    await keepPattern(locals.person, pattern);
    return {};
  });
};
