import { Complaint } from '@even-page/core/complaint';
import { answer } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** Takes pictures in for any piece: each, or why it could not be. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const given = await filesOf(request, 'picture');
    if (!given.length) throw new Complaint(NOTHING_CAME);
    const pictures = [];
    const sorry: string[] = [];
    for (const picture of given) {
      try {
        pictures.push(await addPicture(locals.person, picture));
      } catch (cause) {
        if (!(cause instanceof Complaint)) throw cause;
        sorry.push(cause.message);
      }
    }
    return { pictures, sorry };
  });
