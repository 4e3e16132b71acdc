import { Complaint } from '@even-page/core/complaint';
import { answer } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Takes the pictures of an idea in. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const given = await filesOf(request, 'picture');
    if (!given.length) throw new Complaint(NOTHING_CAME);
    const pictures: string[] = [];
    for (const picture of given) pictures.push((await addPicture(locals.person, picture)).src);
    return { pictures };
  });
