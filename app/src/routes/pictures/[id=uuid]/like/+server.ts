import { answer } from '$lib/server/answers.ts';
import { picturesLike } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

/** The pictures that are the same file as one, or look like it. */
export const GET: RequestHandler = ({ params }) => answer(async () => ({ pictures: await picturesLike(params.id) }));
