import { number, object } from 'yup';
import { answer, queryOf } from '$lib/server/answers.ts';
import { triedQuality } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

const querySchema = object({ quality: number().integer().min(20).max(95).required() });

/** A picture as it would look at another quality, and with it what it would weigh. */
export const GET: RequestHandler = ({ params, url }) =>
  answer(async () => {
    const file = await triedQuality(params.id, (await queryOf(url, querySchema)).quality);
    return new Response(new Uint8Array(file.bytes), { headers: { 'content-type': file.format, 'cache-control': 'private, max-age=300' } });
  });
