import { error } from '@sveltejs/kit';
import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { nameVersion, readVersion } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types.ts';

/** A piece as it was saved at a version. */
export const GET: RequestHandler = async ({ params }) => {
  const found = await readVersion(params.id, Number(params.version));
  if (!found) error(404, 'This version is not here.');
  return answer(async () => found);
};

const nameSchema = object({ name: string().trim().defined().max(80, 'A name has at most 80 characters.') });

/** Names a version, so that it is kept for ever; an empty name takes the name away. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const { name } = await bodyOf(request, nameSchema);
  return answer(async () => {
    if (!(await nameVersion(locals.person, params.id, Number(params.version), name || null))) error(404, 'This version is not here.');
    return { name: name || null };
  });
};
