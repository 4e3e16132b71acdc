import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { lookUpClip } from '$lib/server/clips.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({ address: string().trim().required('Name the web address of the clip, or paste its embed code.').max(8000) });

/** Looks a clip up by its address or its embed code. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => ({ clip: await lookUpClip(locals.person, (await bodyOf(request, bodySchema)).address) }));
