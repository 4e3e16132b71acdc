import { boolean, object } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { decide, removePage } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({ isOut: boolean().required() });

/** Leaves a page out, or takes it in. */
export const PUT: RequestHandler = ({ request, params, locals }) =>
  answer(async () => {
    await decide(locals.person, params.page, (await bodyOf(request, bodySchema)).isOut);
    return {};
  });

/** Takes a page away. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await removePage(locals.person, params.id, params.page);
    return {};
  });
