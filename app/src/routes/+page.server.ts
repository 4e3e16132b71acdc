import { redirect } from '@sveltejs/kit';
import { createPiece } from '$lib/server/bring-in.ts';
import { queryOf } from '$lib/server/answers.ts';
import { deskRows, deskSchema } from '$lib/server/desk.ts';
import type { Actions, PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async ({ url }) => {
  const { order, find } = await queryOf(url, deskSchema);
  return { order, find, ...(await deskRows({ order, find, from: 0 })) };
};

export const actions: Actions = {
  /** Opens an empty piece for somebody who asks before the Desk is awake. */
  empty: async ({ locals }) => redirect(303, `/pieces/${await createPiece(locals.person, [])}`),
};
