import { answer } from '$lib/server/answers.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf, isJson, materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Takes pictures in, files of a form or one from a web address, and answers with what goes onto the page. */
export const POST: RequestHandler = ({ request }) =>
  answer(async () => {
    const pictures = [];
    const given = isJson(request) ? await materialsOf(request) : await filesOf(request, 'picture');
    for (const { name, bytes } of given) pictures.push(await addPicture(name, bytes));
    return { pictures };
  });
