import { answer } from '$lib/server/answers.ts';
import { originalOf } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

// What a browser shows by itself and never runs; the others are only saved.
const SHOWN = new Set(['image/jpeg', 'image/png', 'image/gif', 'image/webp']);

/** A picture as it came. */
export const GET: RequestHandler = ({ params }) =>
  answer(async () => {
    const { name, type, bytes } = await originalOf(params.id);
    const disposition = `${SHOWN.has(type) ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(name)}`;
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': SHOWN.has(type) ? type : 'application/octet-stream',
        'content-disposition': disposition,
        'cache-control': 'private, max-age=31536000, immutable',
        'x-content-type-options': 'nosniff',
      },
    });
  });
