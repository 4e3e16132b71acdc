import { answer } from '$lib/server/answers.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Takes pictures in and answers with what goes onto the page. */
export const POST: RequestHandler = ({ request }) =>
  answer(async () => {
    const pictures = [];
    for (const { name, bytes } of await filesOf(request, 'picture')) pictures.push(await addPicture(name, bytes));
    return { pictures };
  });
