import { answer, bodyOf } from '$lib/server/answers.ts';
import { keepIdea, removeIdea, sentIdeaSchema } from '$lib/server/ideas.ts';
import type { RequestHandler } from './$types.ts';

/** Keeps an idea, new or changed. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const idea = await bodyOf(request, sentIdeaSchema);
  return answer(async () => {
    await keepIdea(locals.person, params.id, idea);
    return {};
  });
};

/** Takes an idea out. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removeIdea(locals.person, params.id);
    return {};
  });
