import { listPieces } from '$lib/server/pieces.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({ pieces: await listPieces() });
