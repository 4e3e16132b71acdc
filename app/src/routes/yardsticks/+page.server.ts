import { listYardsticks } from '$lib/server/yardsticks.ts';
import type { PageServerLoad } from './$types.ts';

export const load: PageServerLoad = async () => ({ yardsticks: await listYardsticks() });
