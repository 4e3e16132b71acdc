import { error } from '@sveltejs/kit';
import { answer } from '$lib/server/answers.ts';
import { startPiece } from '$lib/server/ideas.ts';
import type { RequestHandler } from './$types.ts';

/** Begins a piece from an idea. */
export const POST: RequestHandler = ({ params, locals }) =>
  answer(async () => {
    const id = await startPiece(locals.person, params.id);
    if (!id) error(404, 'This idea is no longer here.');
    return { id };
  });
