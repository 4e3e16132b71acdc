// The drafter as a program of its own: node with tsx, port and pace from the environment.
import { serve } from '@hono/node-server';
import { drafter } from './drafter.ts';

const port = Number(process.env.DRAFTER_PORT ?? 4900);
const paceMs = Number(process.env.DRAFTER_PACE_MS ?? 15);

serve({ fetch: drafter({ paceMs, token: process.env.DRAFTER_TOKEN }).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The drafter is at http://127.0.0.1:${port}`);
});
