import { listPictures } from '$lib/server/pictures.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({ pictures: await listPictures() });
