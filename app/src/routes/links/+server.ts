import { array, boolean, object, string } from 'yup';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { triedLinks } from '$lib/server/tried-links.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({
  addresses: array(
    string()
      .required()
      .max(2000)
      .test('is a web address', 'A link that is tried begins with https:// or http://.', (a) => /^https?:\/\//i.test(a) && URL.canParse(a)),
  )
    .max(1000, 'At most 1,000 links are tried at once.')
    .required(),
  again: boolean().default(false),
});

/** Tries links as readers would follow them. */
export const POST: RequestHandler = ({ request }) =>
  answer(async () => {
    const { addresses, again } = await bodyOf(request, bodySchema);
    return { links: await triedLinks(addresses, again) };
  });
