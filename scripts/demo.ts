// Builds the application when it is older than its code, starts it with every stand-in of standins/list.ts, loads the demo data,
// says what listens where, and stops all of it. Ports: PORT and NAME_PORT. Run by scripts/demo.
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createConnection } from 'node:net';
import { join } from 'node:path';
import { BLOG_TOKEN, STAND_INS } from '../standins/list.ts';

const ROOT = new URL('..', import.meta.url).pathname;
const FOLDER = join(ROOT, '.demo');
const STARTS_MS = 60_000;
const LOOKS_MS = 200;

const portOf = (name: string, usual: number) => Number(process.env[name] ?? usual);
const at = (port: number) => `http://127.0.0.1:${port}`;
const port = portOf('PORT', 4600);
const origin = at(port);
const standIns = STAND_INS.map((standIn) => {
  const variable = `${standIn.name.toUpperCase().replace('-', '_')}_PORT`;
  const own = portOf(variable, standIn.port);
  return { ...standIn, variable, port: own, address: at(own) };
});

const running: ChildProcess[] = [];
let isOver = false;

function stop(status: number): void {
  if (isOver) return;
  isOver = true;
  for (const child of running) child.kill();
  process.exitCode = status;
}

function start(cwd: string, args: string[], environment: Record<string, string>): void {
  const child = spawn(process.execPath, args, { cwd, env: { ...process.env, ...environment }, stdio: ['ignore', 'ignore', 'inherit'] });
  child.once('exit', () => stop(1));
  running.push(child);
}

/** What several stand-ins say, together: where two say the same setting, both count. */
function told(parts: readonly Record<string, string>[]): Record<string, string> {
  const all: Record<string, string> = {};
  for (const [name, value] of parts.flatMap(Object.entries<string>)) all[name] = all[name] ? `${all[name]},${value}` : value;
  return all;
}

const isTaken = (busy: number) =>
  new Promise<boolean>((resolve) => {
    const socket = createConnection({ host: '127.0.0.1', port: busy }, () => (socket.destroy(), resolve(true)));
    socket.once('error', () => resolve(false));
  });

/** When the newest file below some paths was changed. */
function newest(paths: readonly string[]): number {
  return Math.max(
    ...paths.map((path) => {
      const found = statSync(path);
      return found.isDirectory() ? newest(readdirSync(path).map((name) => join(path, name))) : found.mtimeMs;
    }),
    0,
  );
}

function buildIfOld(): boolean {
  const built = join(ROOT, 'app/build/index.js');
  const code = ['app/src', 'app/static', 'app/migrations', 'app/vite.config.ts', 'core/src', 'package-lock.json'].map((path) =>
    join(ROOT, path),
  );
  if (existsSync(built) && statSync(built).mtimeMs > newest(code.filter((path) => existsSync(path)))) return true;
  console.log('Building');
  const { status, stdout, stderr } = spawnSync('npm', ['run', 'build', '--silent'], { cwd: ROOT, encoding: 'utf8' });
  writeFileSync(join(FOLDER, 'build.log'), stdout + stderr);
  if (status !== 0) console.error(stdout + stderr);
  return status === 0;
}

const answers = (address: string) =>
  fetch(address).then(
    (response) => response.ok,
    () => false,
  );

async function listening(addresses: readonly string[]): Promise<boolean> {
  for (const end = Date.now() + STARTS_MS; Date.now() < end && !isOver;) {
    if ((await Promise.all(addresses.map(answers))).every(Boolean)) return true;
    await new Promise((resolve) => setTimeout(resolve, LOOKS_MS));
  }
  return false;
}

async function main(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true });
  const ports = [{ name: 'PORT', port }, ...standIns.map(({ variable: name, port: own }) => ({ name, port: own }))];
  for (const { port: wanted } of ports)
    if (await isTaken(wanted)) {
      const others = ports.map((p) => `${p.name}=${p.port + 1}`).join(' ');
      console.error(`Port ${wanted} is in use. Stop what runs there, or choose others: ${others} npm run demo`);
      process.exitCode = 1;
      return;
    }
  if (!buildIfOld()) {
    process.exitCode = 1;
    return;
  }
  for (const { name, variable, port: own, address, environment } of standIns)
    start(ROOT, ['--import', 'tsx', `standins/${name}/src/server.ts`], {
      [variable]: String(own),
      HOST: '127.0.0.1',
      ...environment(address, FOLDER),
    });
  start(join(ROOT, 'app'), ['start.js'], {
    EVEN_PAGE_DATA: process.env.EVEN_PAGE_DATA ?? join(FOLDER, 'data'),
    HOST: '127.0.0.1',
    PORT: String(port),
    ORIGIN: origin,
    BODY_SIZE_LIMIT: '32M',
    SHUTDOWN_TIMEOUT: '2',
    ...told(standIns.map(({ known, address }) => known(address))),
  });
  const blog = standIns.find(({ name }) => name === 'blog')!;
  if (!(await listening([`${origin}/pieces`, blog.address]))) return stop(1);
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'demo/load.ts', origin, blog.address, BLOG_TOKEN], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  if (status !== 0) return stop(status ?? 1);
  const width = Math.max(...standIns.map(({ says }) => says.length)) + 1;
  console.log(`
  ${'Even Page'.padEnd(width)} ${origin}
${standIns.map(({ says, address }) => `  ${says.padEnd(width)} ${address}`).join('\n')}

  Material to drop onto the Desk lies in demo/material and demo/recordings; knife-evening.srt is a talk of 39 minutes,
  wick-evening.ogg a recording the transcriber knows.
  Ctrl C stops all of it. The demo keeps its data in .demo; remove that folder to begin again.
`);
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => stop(0));
await main();
