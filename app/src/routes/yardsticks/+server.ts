import { object, string } from 'yup';
import { answer, bodyOf, queryOf } from '$lib/server/answers.ts';
import { keepPhrase, readYardstick } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

const phrase = string()
  .trim()
  .min(2, 'A phrase has at least two letters.')
  .max(120, 'A phrase has at most 120 letters.')
  .required('Say which words people look for.');
const bodySchema = object({ phrase });

/** The yardstick of a phrase, with its pages; null while there is none. */
export const GET: RequestHandler = ({ url }) =>
  answer(async () => ({ yardstick: await readYardstick({ phrase: (await queryOf(url, bodySchema)).phrase }) }));

/** Keeps a phrase to hold drafts against. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => ({ id: await keepPhrase(locals.person, (await bodyOf(request, bodySchema)).phrase) }));
