import { createPiece } from '$lib/server/bring-in.ts';
import { answer, queryOf } from '$lib/server/answers.ts';
import { deskRows, deskSchema } from '$lib/server/desk.ts';
import { materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Rows of the Desk. */
export const GET: RequestHandler = async ({ url }) => {
  const wanted = await queryOf(url, deskSchema);
  return answer(() => deskRows(wanted));
};

/** Makes a piece of what was dropped or pasted; of nothing, an empty one. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => ({ id: await createPiece(locals.person, await materialsOf(request)) }));
