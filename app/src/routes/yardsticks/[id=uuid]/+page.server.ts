import { error } from '@sveltejs/kit';
import { hasResultList } from '$lib/server/result-list.ts';
import { readYardstick } from '$lib/server/yardsticks.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ params }) => {
  const yardstick = await readYardstick({ id: params.id });
  if (!yardstick) error(404, 'This phrase is no longer here.');
  return { yardstick, hasResultList: hasResultList() };
};
