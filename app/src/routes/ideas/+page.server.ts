import { listDrafters } from '$lib/server/drafters/drafters.ts';
import { listIdeas, writtenTitles } from '$lib/server/ideas.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({
  ideas: await listIdeas(),
  written: await writtenTitles(),
  drafters: await listDrafters(),
});
