import { answer, bodyOf } from '$lib/server/answers.ts';
import { addOutlet, listOutlets, outletSchema } from '$lib/server/outlets.ts';
import type { RequestHandler } from './$types.ts';

export const GET: RequestHandler = () => answer(async () => ({ outlets: await listOutlets() }));

/** Adds an outlet that speaks Micropub. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const outlet = await bodyOf(request, outletSchema);
  return answer(async () => ({ id: await addOutlet(locals.person, outlet) }));
};
