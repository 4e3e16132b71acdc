import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { themeOf, takeTheme } from '$lib/server/themes.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({ address: string().trim().required('Give the address of a post of this outlet.').max(2000) });

/** How the outlet shows its posts. */
export const GET: RequestHandler = ({ params }) => answer(() => themeOf(params.id));

/** Reads that from a post of it. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const { address } = await bodyOf(request, bodySchema);
  return answer(() => takeTheme(locals.person, params.id, address));
};
