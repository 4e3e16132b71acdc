import type { LayoutServerLoad } from './$types.ts';

export const load: LayoutServerLoad = ({ locals }) => ({ mode: locals.mode });
