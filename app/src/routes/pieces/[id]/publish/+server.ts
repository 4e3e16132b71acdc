import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { publish } from '$lib/server/publish.ts';
import type { RequestHandler } from './$types.ts';

const publishSchema = object({ outlet: string().uuid().required('Choose where to send it.') });

/** Publishes a piece at an outlet, or sends its changes there. */
export const POST: RequestHandler = async ({ params, request }) => {
  const { outlet } = await bodyOf(request, publishSchema);
  return answer(() => publish(params.id, outlet));
};
