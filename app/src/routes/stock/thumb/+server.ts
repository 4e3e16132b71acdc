import { object, string } from 'yup';
import { answer, queryOf } from '$lib/server/answers.ts';
import { stockFile } from '$lib/server/stock.ts';
import type { RequestHandler } from './$types.ts';

const querySchema = object({ address: string().url().required().max(2000) });

/** A small file of a picture of the stock. */
export const GET: RequestHandler = ({ url }) =>
  answer(async () => {
    const { type, bytes } = await stockFile((await queryOf(url, querySchema)).address);
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': type, 'cache-control': 'private, max-age=3600', 'x-content-type-options': 'nosniff' },
    });
  });
