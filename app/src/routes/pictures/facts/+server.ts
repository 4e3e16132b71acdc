import { array, object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { clipsAt } from '$lib/server/dressing.ts';
import { picturesAt } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({ addresses: array(string().max(2000).defined()).max(500).required() });

/** What is known of the pictures and clips at some addresses. */
export const POST: RequestHandler = ({ request }) =>
  answer(async () => {
    const { addresses } = await bodyOf(request, bodySchema);
    return { pictures: await picturesAt(addresses), clips: await clipsAt(addresses) };
  });
