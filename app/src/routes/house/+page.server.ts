import { readHouse } from '$lib/server/house-style.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({ house: await readHouse() });
