import { error, json } from '@sveltejs/kit';
import { mixed, number, object, string } from 'yup';
import { detailsSchema } from '@even-page/core/post/details';
import { bodyOf } from '$lib/server/answers.ts';
import { savePiece } from '$lib/server/pieces.ts';
import { STEP_NAMES } from '$lib/steps.ts';
import type { RequestHandler } from './$types.ts';

const saveSchema = object({
  base: number().integer().required(),
  doc: mixed<object>((value): value is object => typeof value === 'object').required(),
  details: detailsSchema.required(),
  step: string().oneOf(STEP_NAMES).required(),
});

/** Saves a piece; 409 when somebody else has saved it since. */
export const PUT: RequestHandler = async ({ params, request }) => {
  const save = await bodyOf(request, saveSchema);
  let saved;
  try {
    saved = await savePiece(params.id, save);
  } catch (cause) {
    if (cause instanceof RangeError) error(400, 'The page did not arrive whole. Nothing was changed; try again.');
    throw cause;
  }
  if (!saved) error(404, 'This piece is no longer here.');
  if (!saved.taken) {
    return json({ message: 'This piece was changed in another window. Load it again to go on from there.' }, { status: 409 });
  }
  return json({ version: saved.version, savedAt: saved.savedAt });
};
