import { listDrafters } from '$lib/server/drafters/drafters.ts';
import { FORMS } from '$lib/server/drafters/forms.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({
  drafters: await listDrafters(),
  forms: Object.entries(FORMS).map(([name, { label }]) => ({ name, label })),
});
