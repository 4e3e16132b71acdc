import { array, number, object, string } from 'yup';
import { EDIT_KINDS } from '@even-page/core/tidy/edit';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { saveEdits } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

const editsSchema = object({
  edits: array(
    object({
      kind: string().oneOf(EDIT_KINDS).required(),
      from: number().integer().min(0).required(),
      to: number().integer().min(0).required(),
      before: string().defined(),
      after: string().defined(),
      reason: string().defined(),
    }).required(),
  ).required(),
});

/** Keeps the repairs taken over one source of a piece. */
export const PUT: RequestHandler = async ({ params, request }) => {
  const { edits } = await bodyOf(request, editsSchema);
  return answer(async () => {
    await saveEdits(params.id, params.source, edits);
    return {};
  });
};
