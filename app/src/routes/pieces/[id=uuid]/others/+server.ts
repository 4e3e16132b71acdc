import { answer } from '$lib/server/answers.ts';
import { ownPosts } from '$lib/server/own-posts.ts';
import { sharingPieces } from '$lib/server/own-words.ts';
import type { RequestHandler } from './$types.ts';

/** What a piece has to do with the others of the house: what it could link to, what could link to it, and what shares words with it. */
export const GET: RequestHandler = ({ params }) =>
  answer(async () => ({ ...(await ownPosts(params.id)), sharing: await sharingPieces(params.id) }));
