import { uploadServer } from '$lib/server/upload-server.ts';
import type { RequestHandler } from './$types.ts';

/** Resumable uploads, after the tus protocol. */
const upload: RequestHandler = async ({ request }) => (await uploadServer()).handleWeb(request);

export const POST = upload;
export const HEAD = upload;
export const PATCH = upload;
export const DELETE = upload;
export const OPTIONS = upload;
