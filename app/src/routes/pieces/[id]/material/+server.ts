import { answer } from '$lib/server/answers.ts';
import { addMaterial } from '$lib/server/pieces.ts';
import { materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Adds dropped or pasted material to a piece. */
export const POST: RequestHandler = ({ params, request }) =>
  answer(async () => {
    await addMaterial(params.id, await materialsOf(request));
    return {};
  });
