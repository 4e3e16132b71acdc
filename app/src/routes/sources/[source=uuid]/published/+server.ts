import { object, string } from 'yup';
import { isSafeAddress } from '@even-page/core/post/address';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { savePublished } from '$lib/server/recordings.ts';
import type { RequestHandler } from './$types.ts';

const publishedSchema = object({
  title: string().trim().max(300).default(''),
  description: string().trim().max(5000).default(''),
  address: string()
    .trim()
    .max(2000)
    .default('')
    .test(
      'safe',
      'The address of the recording must be a web address.',
      (value) => !value || (/^https?:/i.test(value) && isSafeAddress(value)),
    ),
});

/** Keeps where a recording was published: its title, description and address there. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const published = await bodyOf(request, publishedSchema);
  return answer(async () => {
    await savePublished(locals.person, params.source, published);
    return {};
  });
};
