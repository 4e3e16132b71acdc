import { array, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { filesOf } from '$lib/server/uploads.ts';
import { addAddresses, addHtml } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

const bodySchema = object({
  addresses: array(string().trim().required().max(2000)).max(30, 'At most 30 pages are read at once.').default([]),
  html: string()
    .max(20 * 1024 * 1024)
    .default(''),
});

/** Takes reference pages in: by their addresses, as HTML that was pasted, or as files. */
export const POST: RequestHandler = ({ request, params, locals }) =>
  answer(async () => {
    if (request.headers.get('content-type')?.includes('multipart')) {
      const files = await filesOf(request, 'page');
      if (!files.length) throw new Complaint(NOTHING_CAME);
      return addHtml(
        locals.person,
        params.id,
        files.map(({ bytes }) => ({ bytes, address: '' })),
      );
    }
    const { addresses, html } = await bodyOf(request, bodySchema, 21 * 1024 * 1024);
    if (html) return addHtml(locals.person, params.id, [{ bytes: new TextEncoder().encode(html), address: '' }]);
    if (!addresses.length) throw new Complaint('Name the address of a page, or drop its file.');
    return addAddresses(locals.person, params.id, addresses);
  });
