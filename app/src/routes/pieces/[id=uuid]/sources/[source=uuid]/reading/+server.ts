import { object, string } from 'yup';
import { READINGS } from '@even-page/core/gather';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { readAgain } from '$lib/server/bring-in.ts';
import type { RequestHandler } from './$types.ts';

const readingSchema = object({ reading: string().oneOf(READINGS).required() });

/** Reads a source again from its own bytes: with its structure, as plain words, or as a list. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const { reading } = await bodyOf(request, readingSchema);
  return answer(async () => {
    await readAgain(locals.person, params.id, params.source, reading);
    return {};
  });
};
