import { redirect } from '@sveltejs/kit';
import { ownAddress } from '@even-page/core/post/format';
import type { RequestHandler } from './$types.ts';

/** Where a picture was before it had an id of its own. */
export const GET: RequestHandler = ({ url }) => redirect(308, ownAddress(url.pathname));
