import { error, json } from '@sveltejs/kit';
import { array, mixed, number, object, string } from 'yup';
import { detailsSchema } from '@even-page/core/post/details';
import { type Edit, EDIT_KINDS } from '@even-page/core/tidy';
import { MOST_EDITS } from '$lib/limits.ts';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { savePiece } from '$lib/server/pieces.ts';
import { STEP_NAMES } from '$lib/steps.ts';
import type { RequestHandler } from './$types.ts';

// Looked at by hand: there may be thousands, and a schema takes its time for each of their fields.
function isEdit(value: unknown): value is Edit {
  const { kind, from, to, before, after, reason, group, turn } = (value ?? {}) as Record<keyof Edit, unknown>;
  const isPlace = (n: unknown) => Number.isInteger(n) && (n as number) >= 0 && (n as number) <= MOST_PLACE;
  const isText = (text: unknown) => typeof text === 'string' && text.length <= MOST_TEXT;
  return (
    EDIT_KINDS.includes(kind as Edit['kind']) &&
    isPlace(from) &&
    isPlace(to) &&
    [before, after, reason].every(isText) &&
    (group === undefined || (typeof group === 'string' && group.length <= 300)) &&
    (turn === undefined || (typeof turn === 'string' && turn.length <= 20))
  );
}

const MOST_PLACE = 100_000_000;
const MOST_TEXT = 100_000;
const MOST_CHANGES = 200;
// A page of the largest size with its repairs and the rest.
const MOST_SAVE = 12 * 1024 * 1024;

const TOO_MANY = `A save takes at most ${MOST_EDITS.toLocaleString('en')} repairs: take them in parts.`;

const saveSchema = object({
  key: string()
    .matches(/^[\w-]{10,64}$/)
    .required(),
  base: number()
    .integer()
    .min(0)
    .max(2 ** 31 - 2)
    .required(),
  doc: mixed<object>((value): value is object => typeof value === 'object' && value !== null).required(),
  details: detailsSchema.required(),
  step: string().oneOf(STEP_NAMES).required(),
  edits: array(
    object({
      source: string().uuid().required(),
      take: mixed<Edit[]>((value): value is Edit[] => Array.isArray(value) && value.every(isEdit)).required(),
      drop: mixed<string[]>(
        (value): value is string[] => Array.isArray(value) && value.every((key) => typeof key === 'string' && key.length <= 300),
      ).required(),
    }).required(),
  )
    .default([])
    .max(MOST_CHANGES, TOO_MANY)
    .test(
      'few',
      TOO_MANY,
      (changes) => changes.reduce((sum, { take, drop }) => sum + (take?.length ?? 0) + (drop?.length ?? 0), 0) <= MOST_EDITS,
    ),
});

/** Saves a piece; 409, with what stands now, when somebody else has saved it since. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const save = await bodyOf(request, saveSchema, MOST_SAVE);
  return answer(async () => {
    try {
      const saved = await savePiece(locals.person, params.id, save);
      if (!saved) error(404, 'This piece is no longer here.');
      if (saved.taken) return saved;
      return json({ message: 'This piece was changed elsewhere since.', ...saved }, { status: 409 });
    } catch (cause) {
      if (cause instanceof RangeError) error(400, 'The page did not arrive whole. Nothing was changed; try again.');
      throw cause;
    }
  });
};
