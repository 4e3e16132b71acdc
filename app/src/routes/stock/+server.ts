import { number, object, string } from 'yup';
import { answer, bodyOf, queryOf } from '$lib/server/answers.ts';
import { searchStock, takeFromStock } from '$lib/server/stock.ts';
import type { RequestHandler } from './$types.ts';

const words = string().trim().max(200).default('');
const page = number().integer().min(1).max(10_000).default(1);
const querySchema = object({ words, page });
const offerSchema = object({ id: string().required().max(200), words, page });

/** A page of what the picture stock has for some words. */
export const GET: RequestHandler = ({ url }) =>
  answer(async () => {
    const query = await queryOf(url, querySchema);
    return searchStock(query.words, query.page);
  });

/** Takes a picture of the stock in. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => ({ picture: await takeFromStock(locals.person, await bodyOf(request, offerSchema)) }));
