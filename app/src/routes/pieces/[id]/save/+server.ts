import { error, json } from '@sveltejs/kit';
import { array, mixed, number, object, string } from 'yup';
import { detailsSchema } from '@even-page/core/post/details';
import { EDIT_KINDS } from '@even-page/core/tidy/edit';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { savePiece } from '$lib/server/pieces.ts';
import { STEP_NAMES } from '$lib/steps.ts';
import type { RequestHandler } from './$types.ts';

const place = () => number().integer().min(0).required();

const editSchema = object({
  kind: string().oneOf(EDIT_KINDS).required(),
  from: place(),
  to: place(),
  before: string().defined(),
  after: string().defined(),
  reason: string().defined(),
  group: string().max(300).optional(),
});

const saveSchema = object({
  key: string()
    .matches(/^[\w-]{10,64}$/)
    .required(),
  base: number().integer().required(),
  doc: mixed<object>((value): value is object => typeof value === 'object').required(),
  details: detailsSchema.required(),
  step: string().oneOf(STEP_NAMES).required(),
  edits: array(
    object({
      source: string().uuid().required(),
      take: array(editSchema.required()).required(),
      drop: array(string().required()).required(),
    }).required(),
  ).default([]),
});

/** Saves a piece; 409, with what stands now, when somebody else has saved it since. */
export const PUT: RequestHandler = async ({ params, request }) => {
  const save = await bodyOf(request, saveSchema);
  return answer(async () => {
    try {
      const saved = await savePiece(params.id, save);
      if (!saved) error(404, 'This piece is no longer here.');
      if (saved.taken) return saved;
      return json({ message: 'This piece was changed elsewhere since.', ...saved }, { status: 409 });
    } catch (cause) {
      if (cause instanceof RangeError) error(400, 'The page did not arrive whole. Nothing was changed; try again.');
      throw cause;
    }
  });
};
