import { answer } from '$lib/server/answers.ts';
import { bringBack } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

/** Brings back a picture that was put away. */
export const POST: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await bringBack(locals.person, params.id);
    return {};
  });
