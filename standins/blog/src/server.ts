// The blog as a program of its own: node with tsx, port and folder from the environment.
import { serve } from '@hono/node-server';
import { blog } from './blog.ts';
import { Store } from './store.ts';

const port = Number(process.env.BLOG_PORT ?? 4700);
const origin = process.env.BLOG_ORIGIN ?? `http://127.0.0.1:${port}`;
const token = process.env.BLOG_TOKEN ?? 'larkfield-demo-token';
const store = new Store(process.env.BLOG_DATA ?? '.demo/blog');

serve({ fetch: blog({ origin, token, store }).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The hall's blog is at ${origin}`);
});
