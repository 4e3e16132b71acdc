import { object, string } from 'yup';
import { coverDesignSchema } from '@even-page/core/post/cover-design';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { keepCover, listCovers } from '$lib/server/covers.ts';
import type { RequestHandler } from './$types.ts';

/** The covers that are kept as templates. */
export const GET: RequestHandler = () => answer(async () => ({ covers: await listCovers() }));

const bodySchema = object({
  name: string().trim().required('Give this template a name.').max(80, 'A name has at most 80 characters.'),
  design: coverDesignSchema.required(),
});

/** Keeps a cover under a name, in place of one of that name. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    await keepCover(locals.person, await bodyOf(request, bodySchema));
    return { covers: await listCovers() };
  });
