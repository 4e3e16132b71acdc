import { object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { rightsSchema } from '@even-page/core/dress';
import { answer, bodyOf } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { fetchAddress } from '$lib/server/fetch-address.ts';
import { addPicture } from '$lib/server/pictures.ts';
import { filesOf, isJson } from '$lib/server/uploads.ts';
import { takenFromUpload } from '$lib/server/picture-uploads.ts';
import type { RequestHandler } from './$types.ts';

const fromSchema = object({
  address: string().trim().max(2000),
  upload: string().matches(/^[0-9a-f]{32}$/),
  /** The id the page names it by already. */
  id: string().uuid(),
  name: string().trim().max(200).default(''),
  alt: string().max(1000).default(''),
  rights: rightsSchema.optional().default(undefined),
});

/** Takes pictures in: files of a form, one from a web address, or one that was uploaded; answers with what goes onto the page. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const { person } = locals;
    if (!isJson(request)) {
      const given = await filesOf(request, 'picture');
      if (!given.length) throw new Complaint(NOTHING_CAME);
      const pictures = [];
      for (const picture of given) pictures.push(await addPicture(person, picture));
      return { pictures };
    }
    const { address, upload, id, name, alt, rights } = await bodyOf(request, fromSchema);
    if (upload && id) return { pictures: [await takenFromUpload(person, { upload, id, name })] };
    if (!address) throw new Complaint('Name the web address to fetch.');
    const fetched = await fetchAddress(address);
    const own = { name: name || fetched.name, alt, ...(id ? { id } : {}), ...(rights ? { rights } : {}) };
    return { pictures: [await addPicture(person, { ...own, bytes: fetched.bytes })] };
  });
