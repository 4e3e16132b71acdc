import { createPiece, listPieces } from '$lib/server/pieces.ts';
import { answer } from '$lib/server/answers.ts';
import { materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** The pieces on the Desk. */
export const GET: RequestHandler = () => answer(async () => ({ pieces: await listPieces() }));

/** Makes a piece of what was dropped or pasted; of nothing, an empty one. */
export const POST: RequestHandler = ({ request }) => answer(async () => ({ id: await createPiece(await materialsOf(request)) }));
