import { object, string } from 'yup';
import { answer, queryOf } from '$lib/server/answers.ts';
import { reach } from '$lib/server/drafters/drafters.ts';
import { limitOf } from '$lib/server/drafters/limit.ts';
import type { RequestHandler } from './$types.ts';

const whichSchema = object({
  drafter: string()
    .matches(/^(?:standard|[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/, 'Say which drafter.')
    .required('Say which drafter.'),
});

/** How much a drafter takes at once, where it tells. */
export const GET: RequestHandler = async ({ url }) => {
  const { drafter } = await queryOf(url, whichSchema);
  return answer(async () => ({ limit: await limitOf(await reach(drafter)) }));
};
