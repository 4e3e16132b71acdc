import { Complaint } from '@even-page/core/complaint';
import { answer } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf, isJson, materialsOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Takes pictures in, files of a form or one from a web address, and answers with what goes onto the page. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const pictures = [];
    const given = isJson(request) ? await materialsOf(request) : await filesOf(request, 'picture');
    if (!given.length) throw new Complaint(NOTHING_CAME);
    for (const { name, bytes } of given) pictures.push(await addPicture(locals.person, name, bytes));
    return { pictures };
  });
