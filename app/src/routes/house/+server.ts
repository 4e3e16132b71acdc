import { houseSchema } from '@even-page/core/tidy';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { readHouse, saveHouse } from '$lib/server/house-style.ts';
import type { RequestHandler } from './$types.ts';

/** House style as data, for those who ask for JSON at its address. */
export const GET: RequestHandler = () => answer(() => readHouse());

/** Changes House style. */
export const PUT: RequestHandler = async ({ request, locals }) => {
  const house = await bodyOf(request, houseSchema);
  return answer(async () => {
    await saveHouse(locals.person, house);
    return {};
  });
};
