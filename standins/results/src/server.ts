// The result list as a program of its own: node with tsx, port and token from the environment.
import { serve } from '@hono/node-server';
import { resultList } from './result-list.ts';

const port = Number(process.env.RESULTS_PORT ?? 5200);

serve({ fetch: resultList({ token: process.env.RESULTS_TOKEN }).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The result list is at http://127.0.0.1:${port}`);
});
