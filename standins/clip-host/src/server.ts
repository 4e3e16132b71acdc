// The clip host as a program of its own: node with tsx, port from the environment.
import { serve } from '@hono/node-server';
import { clipHost } from './clip-host.ts';
import { HALL_CLIPS } from './hall-clips.ts';

const port = Number(process.env.CLIP_HOST_PORT ?? 5100);

serve({ fetch: clipHost(HALL_CLIPS).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The clip host is at http://127.0.0.1:${port}`);
});
