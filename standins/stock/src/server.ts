// The picture stock as a program of its own: node with tsx, port from the environment.
import { serve } from '@hono/node-server';
import { stock } from './stock.ts';

const port = Number(process.env.STOCK_PORT ?? 5000);
const token = process.env.STOCK_TOKEN;

serve({ fetch: stock(token ? { token } : {}).fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`The picture stock is at http://127.0.0.1:${port}`);
});
