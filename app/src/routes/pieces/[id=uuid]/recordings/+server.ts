import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { addRecording } from '$lib/server/recordings.ts';
import type { RequestHandler } from './$types.ts';

const recordingSchema = object({ upload: string().required(), name: string().trim().max(255).required() });

/** Makes a source of a recording whose upload is finished. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const { upload, name } = await bodyOf(request, recordingSchema);
  return answer(async () => {
    await addRecording(locals.person, params.id, upload, name);
    return {};
  });
};
