import { leafOf } from '$lib/spread/leaves.ts';
import type { PageLoad } from './$types.ts';

/** With the leaf of the step that is open, so that the page comes whole. */
export const load: PageLoad = async ({ data }) => ({ ...data, leaf: await leafOf(data.piece.step) });
