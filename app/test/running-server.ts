import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { blog } from '../../standins/blog/src/blog.ts';
import { Store } from '../../standins/blog/src/store.ts';

const APP = new URL('..', import.meta.url).pathname;

/** The built application, running on a free port over a folder of its own. */
export type RunningServer = {
  address: string;
  /** Calls a route; a body that is no form goes as JSON. */
  call: (path: string, init?: { method?: string; body?: unknown; headers?: Record<string, string> }) => Promise<Response>;
  stop: () => Promise<void>;
};

/** Starts the built application (`npm run build` first). With a data folder given, that one is used and kept. */
export async function startServer(data?: string): Promise<RunningServer> {
  const folder = data ?? mkdtempSync(join(tmpdir(), 'even-page-'));
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const child = spawn('node', ['build'], {
    cwd: APP,
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(port),
      ORIGIN: address,
      BODY_SIZE_LIMIT: '32M',
      SHUTDOWN_TIMEOUT: '1',
      EVEN_PAGE_DATA: folder,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (words: Buffer) => words.includes('Listening') && resolve());
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: was it built?`)));
  });
  return {
    address,
    call: (path, { method = 'GET', body, headers = {} } = {}) =>
      fetch(`${address}${path}`, {
        method,
        headers: {
          accept: 'application/json',
          origin: address,
          ...(body && !(body instanceof FormData) ? { 'content-type': 'application/json' } : {}),
          ...headers,
        },
        body: body instanceof FormData ? body : body === undefined ? undefined : JSON.stringify(body),
      }),
    async stop() {
      child.kill('SIGTERM');
      await once(child, 'exit');
      if (!data) rmSync(folder, { recursive: true });
    },
  };
}

/** Starts the blog stand-in on a free port over a folder of its own. */
export async function startBlog(): Promise<{ address: string; token: string; stop: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'blog-'));
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = serve({ fetch: blog({ origin: address, token: 'secret', store: new Store(folder) }).fetch, port, hostname: '127.0.0.1' });
  return {
    address,
    token: 'secret',
    stop() {
      server.close();
      rmSync(folder, { recursive: true });
    },
  };
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}
