import { object, string } from 'yup';
import { answer, queryOf } from '$lib/server/answers.ts';
import { listSources } from '$lib/server/bring-in.ts';
import type { RequestHandler } from './$types.ts';

const querySchema = object({ find: string().max(200).default('') });

/** Sources that are here already, for another piece to use. */
export const GET: RequestHandler = async ({ url }) => {
  const { find } = await queryOf(url, querySchema);
  return answer(async () => ({ sources: await listSources(find) }));
};
