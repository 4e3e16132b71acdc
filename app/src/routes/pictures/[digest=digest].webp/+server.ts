import { error } from '@sveltejs/kit';
import { pictureBytes } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

/** A picture of a page. Its name is its digest, so it never changes. */
export const GET: RequestHandler = async ({ params }) => {
  const picture = await pictureBytes(params.digest);
  if (!picture) error(404, 'There is no picture at this address.');
  return new Response(new Uint8Array(picture.bytes), {
    headers: {
      'content-type': picture.type,
      'cache-control': 'public, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  });
};
