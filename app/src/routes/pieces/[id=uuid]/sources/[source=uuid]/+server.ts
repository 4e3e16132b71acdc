import { boolean, number, object } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { changeSource } from '$lib/server/bring-in.ts';
import type { RequestHandler } from './$types.ts';

const changeSchema = object({ isOff: boolean(), position: number().integer().min(0) });

/** Takes a source off a piece, puts it back, or moves it to another place. */
export const PATCH: RequestHandler = async ({ params, request, locals }) => {
  const change = await bodyOf(request, changeSchema);
  return answer(async () => {
    await changeSource(locals.person, params.id, params.source, change);
    return {};
  });
};
