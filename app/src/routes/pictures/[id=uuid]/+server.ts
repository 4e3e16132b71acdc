import { error } from '@sveltejs/kit';
import { mixed, object, number, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { rightsSchema } from '@even-page/core/dress';
import { answer, bodyOf, queryOf } from '$lib/server/answers.ts';
import { changePicture, filesFor, putAway, PURPOSES, type Purpose, variantBytes } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

const querySchema = object({
  as: mixed<Purpose>()
    .oneOf([...PURPOSES])
    .default('full'),
});

/** A file of a picture, for a purpose. */
export const GET: RequestHandler = async ({ params, url, request }) => {
  const { as } = await queryOf(url, querySchema);
  const [file] = await filesFor(params.id, as).catch((cause: unknown) => {
    if (cause instanceof Complaint) error(404, cause.message);
    throw cause;
  });
  // It changes with its focus and its quality.
  const headers = { etag: `"${file!.digest}"`, 'cache-control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === headers.etag) return new Response(null, { status: 304, headers });
  return new Response(new Uint8Array(await variantBytes(file!)), {
    headers: { ...headers, 'content-type': file!.format, 'x-content-type-options': 'nosniff' },
  });
};

const part = number().min(0).max(1).required();

const changeSchema = object({
  name: string().trim().min(1, 'A picture has a name.').max(200, 'A name has at most 200 characters.'),
  alt: string().max(1000, 'An alternative text has at most 1,000 characters.'),
  rights: rightsSchema.optional().default(undefined),
  focus: object({ x: part, y: part }).optional().default(undefined),
  quality: number().integer().min(20, 'A quality is 20 to 95.').max(95, 'A quality is 20 to 95.'),
});

/** Changes what is known of a picture, or how light its files are. */
export const PATCH: RequestHandler = ({ params, request, locals }) =>
  answer(async () => ({ picture: await changePicture(locals.person, params.id, await bodyOf(request, changeSchema)) }));

/** Puts a picture away that no page shows. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    await putAway(locals.person, params.id);
    return {};
  });
