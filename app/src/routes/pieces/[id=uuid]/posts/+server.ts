import { answer } from '$lib/server/answers.ts';
import { ownPosts } from '$lib/server/own-posts.ts';
import type { RequestHandler } from './$types.ts';

/** What the house has published besides a piece, and which of that could lead to it. */
export const GET: RequestHandler = ({ params }) => answer(() => ownPosts(params.id));
