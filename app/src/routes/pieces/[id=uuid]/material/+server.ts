import { object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { addMaterial, useSource } from '$lib/server/bring-in.ts';
import { isJson, materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

const heldSchema = object({ source: string().uuid().optional() });

/** Adds material to a piece: files dropped or pasted, what stands at a web address, or a source that is already here. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const { source } = isJson(request) ? await bodyOf(request.clone(), heldSchema) : {};
  return answer(async () => {
    if (source) await useSource(locals.person, params.id, source);
    else await addMaterial(locals.person, params.id, await materialsOf(request));
    return {};
  });
};
