import { json } from '@sveltejs/kit';
import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { publish, Unsure } from '$lib/server/publish.ts';
import type { RequestHandler } from './$types.ts';

const publishSchema = object({
  outlet: string().uuid().required('Choose where to send it.'),
  /** What the writer saw at an outlet that cannot be asked: the address of the post, or nothing where it is not there. */
  seen: object({ address: string().trim().max(2000).defined().nullable() })
    .optional()
    .default(undefined),
});

/** Publishes a piece at an outlet, or sends its changes there; 409 when the writer has to look whether it is there already. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const { outlet, seen } = await bodyOf(request, publishSchema);
  return answer(() =>
    publish(locals.person, params.id, outlet, seen && { address: seen.address || null }).catch((cause: unknown) => {
      if (cause instanceof Unsure) return json({ message: cause.message, asks: true }, { status: 409 });
      throw cause;
    }),
  );
};
