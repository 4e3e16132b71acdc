import { error } from '@sveltejs/kit';
import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { takeRound } from '$lib/server/drafters/rounds.ts';
import type { RequestHandler } from './$types.ts';

const takenSchema = object({ taken: string().oneOf(['whole', 'part']).required() });

/** Notes that a round was taken. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const { taken } = await bodyOf(request, takenSchema);
  return answer(async () => {
    if (!(await takeRound(locals.person, params.id, params.round, taken))) error(404, 'This round is not here.');
    return {};
  });
};
