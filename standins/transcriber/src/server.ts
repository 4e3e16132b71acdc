// The transcriber as a program of its own: node with tsx, port and pace from the environment.
import { serve } from '@hono/node-server';
import { transcriber, transcriptsIn } from './transcriber.ts';

const port = Number(process.env.TRANSCRIBER_PORT ?? 4800);
const known = transcriptsIn(new URL('../../../demo/recordings/', import.meta.url));
const workMs = Number(process.env.TRANSCRIBER_WORK_MS ?? 3000);

serve({ fetch: transcriber({ known, workMs, token: process.env.TRANSCRIBER_TOKEN }).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The transcriber is at http://127.0.0.1:${port}`);
});
