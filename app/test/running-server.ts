import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { blog } from '../../standins/blog/src/blog.ts';
import { clipHost } from '../../standins/clip-host/src/clip-host.ts';
import { HALL_CLIPS } from '../../standins/clip-host/src/hall-clips.ts';
import { drafter, type Misbehaviour } from '../../standins/drafter/src/drafter.ts';
import { Store } from '../../standins/blog/src/store.ts';
import { resultList } from '../../standins/results/src/result-list.ts';
import { stock } from '../../standins/stock/src/stock.ts';

const APP = new URL('..', import.meta.url).pathname;

/** The built application, running on a free port over a folder of its own. */
export type RunningServer = {
  address: string;
  /** Calls a route; a body that is no form goes as JSON. */
  call: (path: string, init?: { method?: string; body?: unknown; headers?: Record<string, string> }) => Promise<Response>;
  /** Its process. */
  pid: number;
  /** What it wrote to its log. */
  log: () => string;
  stop: () => Promise<void>;
  /** Ends it as a power cut would, at once. */
  kill: () => Promise<void>;
};

/** How a server is started: a data folder that is kept, a port, more settings. */
export type Start = { data?: string; port?: number; env?: Record<string, string> };

// Tests that start a server for a moment compile it in a hurry.
const FLAGS = process.env.TEST_NODE_FLAGS?.split(' ') ?? [];

const TEMPLATE = new URL('../../test-results/template/', import.meta.url).pathname;

/**
 * A new data folder with an empty database in it. The first is made by the application; the others are copies of
 * it, which is quicker by seconds.
 */
export async function newFolder(): Promise<string> {
  if (!existsSync(TEMPLATE)) await (await startServer({ data: TEMPLATE })).stop();
  const folder = mkdtempSync(join(tmpdir(), 'even-page-'));
  cpSync(TEMPLATE, folder, { recursive: true });
  return folder;
}

/** Starts the built application (`npm run build` first) over a folder of its own, or over the one given. */
export async function startServer({ data, port: wanted, env = {} }: Start = {}): Promise<RunningServer> {
  const folder = data ?? (await newFolder());
  const port = wanted ?? (await freePort());
  const address = `http://127.0.0.1:${port}`;
  const child = spawn('node', [...FLAGS, 'start.js'], {
    cwd: APP,
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(port),
      ORIGIN: address,
      SHUTDOWN_TIMEOUT: '1',
      EVEN_PAGE_DATA: folder,
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let log = '';
  child.stderr.on('data', (words: Buffer) => (log += words.toString()));
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (words: Buffer) => words.includes('Listening') && resolve());
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${log || 'was it built?'}`)));
  });
  const end = async (signal: NodeJS.Signals) => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    const ended = once(child, 'exit');
    child.kill(signal);
    await ended;
  };
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
    pid: child.pid!,
    log: () => log,
    async stop() {
      // A folder that goes with it needs no orderly end.
      await end(data ? 'SIGTERM' : 'SIGKILL');
      if (!data) for (const path of [folder, `${folder}.key`]) rmSync(path, { recursive: true, force: true });
    },
    kill: () => end('SIGKILL'),
  };
}

type Fetch = Parameters<typeof serve>[0]['fetch'];

/** Serves something on a free port. */
async function serving(fetch: (address: string) => Fetch): Promise<{ address: string; stop: () => void }> {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = serve({ fetch: fetch(address), port, hostname: '127.0.0.1' });
  return { address, stop: () => void server.close() };
}

/** Starts the blog stand-in on a free port over a folder of its own. */
export async function startBlog(): Promise<{ address: string; token: string; stop: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'blog-'));
  const { address, stop } = await serving((origin) => blog({ origin, token: 'secret', store: new Store(folder) }).fetch);
  return {
    address,
    token: 'secret',
    stop() {
      stop();
      rmSync(folder, { recursive: true });
    },
  };
}

/** The stand-in drafter on a free port; it can be told what to do wrong the next times it is asked. */
export async function startDrafter(): Promise<{
  address: string;
  misbehave: (...next: Misbehaviour[]) => Promise<void>;
  stop: () => void;
}> {
  const { address, stop } = await serving(() => drafter().fetch);
  return {
    address,
    misbehave: async (...next) => void (await fetch(`${address}/misbehaviour`, { method: 'PUT', body: JSON.stringify({ next }) })),
    stop,
  };
}

/** The stand-in picture stock on a free port. */
export const startStock = () => serving(() => stock().fetch);

/** The stand-in clip host on a free port, and what it was asked for so far. */
export async function startClipHost(): Promise<{ address: string; asked: string[]; stop: () => void }> {
  const host = clipHost(HALL_CLIPS);
  return { ...(await serving(() => host.fetch)), asked: host.asked };
}

/** The stand-in result list on a free port, with the web it knows. */
export const startResultList = () => serving(() => resultList().fetch);

/** A port nobody listens on now. */
export async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}
