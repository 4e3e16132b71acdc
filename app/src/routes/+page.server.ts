import { queryOf } from '$lib/server/answers.ts';
import { deskRows, deskSchema } from '$lib/server/desk.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ url }) => {
  const { order, find } = await queryOf(url, deskSchema);
  return { order, find, ...(await deskRows({ order, find, from: 0 })) };
};
