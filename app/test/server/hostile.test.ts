import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { zipSync } from 'fflate';
import { startServer, type RunningServer } from '../running-server.ts';
import { fileOf, form, writer } from './writer.ts';

const MB = 1024 * 1024;
// The others read on a thread of their own: this one is busy making what is sent. How long they wait is told, and how
// long they wait meanwhile for a server with nothing to do, which is what the machine itself is busy with.
const READER = `
  const { parentPort, workerData: { address, paths, idle } } = require('node:worker_threads');
  let isEnough = false;
  parentPort.once('message', () => (isEnough = true));
  const waited = async (path) => {
    const begun = performance.now();
    const answer = await fetch(path, { headers: { accept: 'application/json' } });
    await answer.arrayBuffer();
    return answer.status === 200 ? performance.now() - begun : Infinity;
  };
  (async () => {
    let [longest, longestIdle] = [0, 0];
    // The first opens the connections.
    await Promise.all([waited(idle), ...paths.map((path) => waited(address + path))]);
    parentPort.postMessage('begun');
    for (let n = 0; !isEnough; n++) {
      const [own, other] = await Promise.all([waited(address + paths[n % paths.length]), waited(idle)]);
      longest = Math.max(longest, own);
      longestIdle = Math.max(longestIdle, other);
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    parentPort.postMessage(longest - longestIdle);
  })();
`;
const IDLE = `require('node:http').createServer((_, answer) => answer.end('{}')).listen(0, '127.0.0.1', function () { console.log(this.address().port) })`;
// What a reader hardly notices.
const PROMPT_MS = 200;

describe('a hostile neighbour', function () {
  // What is measured is time: the machine itself may have been busy with something else.
  this.retries(4);
  let server: RunningServer;
  let idle: ChildProcess;
  let idleAddress: string;
  let id: string;
  let other: string;
  const { bring, read, save } = writer(() => server);

  before(async () => {
    server = await startServer();
    idle = spawn('node', ['-e', IDLE], { stdio: ['ignore', 'pipe', 'inherit'] });
    const [port] = (await once(idle.stdout!, 'data')) as [Buffer];
    idleAddress = `http://127.0.0.1:${port.toString().trim()}`;
    id = await bring(fileOf('mending-log.md'));
    other = await bring(fileOf('mending-log.md'));
    // The helpers stand by from the first save on.
    await save(other, (await read(other)).piece, { details: { category: 'First' } });
  });
  after(() => {
    idle.kill();
    return server.stop();
  });

  /** Does something while others read, and returns what came of it and how much longer than for an idle server one of them waited at most. */
  async function beside<T>(work: () => Promise<T>): Promise<{ result: T; longestMs: number }> {
    const reader = new Worker(READER, {
      eval: true,
      workerData: { address: server.address, paths: ['/pieces', `/pieces/${other}`], idle: idleAddress },
    });
    await once(reader, 'message');
    const result = await work();
    reader.postMessage('enough');
    const [longestMs] = (await once(reader, 'message')) as [number];
    await reader.terminate();
    return { result, longestMs };
  }

  const page = (...texts: string[]) => ({
    type: 'doc',
    content: texts.map((text) => ({ type: 'paragraph', content: [{ type: 'text', text }] })),
  });
  const put = (doc: object, edits: object[] = []) =>
    read(id).then(({ piece }) =>
      server.call(`/pieces/${id}/save`, {
        method: 'PUT',
        body: { key: randomUUID(), base: piece.version, doc, details: piece.details, step: 'write', edits },
      }),
    );

  const edit = (n: number) => ({ kind: 'spacing', from: n, to: n + 1, before: 'x', after: '', reason: 'r' });

  for (const [what, doc, status] of [
    ['one word of 60,000 letters', page('h'.repeat(60_000)), 200],
    ['one word of 1.9 million letters', page('h'.repeat(1_900_000)), 200],
    ['a line of 300,000 dots', page('.'.repeat(300_000) + 'x'), 200],
    ['a line of 300,000 closing quotes', page(`.${'”'.repeat(300_000)}x`), 200],
    ['300,000 spaces after a full stop', page(`.${' '.repeat(300_000)}x`), 200],
    ['a page of 6,000 paragraphs', page(...Array.from({ length: 6_000 }, () => 'Soak the cane.')), 200],
    [
      'a page as long as can be',
      page(
        ...Array.from(
          { length: 6_000 },
          () =>
            'Soak the cane in water for twenty minutes, then dry it in the air, and begin at the back of the seat where nobody looks at it. ',
        ),
      ),
      200,
    ],
    ['a page of 20,000 blocks', page(...Array.from({ length: 20_000 }, () => 'x')), 422],
    ['a page of 28 MB', page('soak '.repeat(5_700_000)), 413],
  ] as const) {
    it(`with ${what} holds nobody up`, async () => {
      const { result, longestMs } = await beside(() => put(doc));
      expect(result.status).to.equal(status);
      if (status !== 200) expect((await result.json()).message).to.match(/larger than can be kept|more than the server takes/);
      expect(longestMs).to.be.below(PROMPT_MS);
    });
  }

  it('with 100,000 repairs in one save hears in a sentence to send them in parts', async () => {
    const { sources } = await read(id);
    const many = [{ source: sources[0].id, take: Array.from({ length: 100_000 }, (_, n) => edit(n)), drop: [] }];
    const { result, longestMs } = await beside(() => put(page('x'), many));
    expect(result.status).to.be.oneOf([400, 413]);
    expect((await result.json()).message).to.match(/at most 5,000 repairs|more than the server takes/);
    expect(longestMs).to.be.below(PROMPT_MS);
    const few = [{ source: sources[0].id, take: Array.from({ length: 5000 }, (_, n) => edit(n)), drop: [] }];
    const part = await beside(() => put(page('x'), few));
    expect(part.result.status).to.equal(200);
    expect(part.longestMs).to.be.below(PROMPT_MS);
  });

  it('cannot make a save of somebody else wait long', async () => {
    const hostile = Promise.all(Array.from({ length: 3 }, () => put(page('h'.repeat(1_900_000)))));
    const begun = performance.now();
    const { piece } = await read(other);
    expect((await save(other, piece, { details: { category: `Now ${begun}` } })).status).to.equal(200);
    expect(performance.now() - begun).to.be.below(2500);
    await hostile;
  });

  /** The memory of the server and the programs beside it, in MB, at most while some work is done. */
  async function memoryOf<T>(work: () => Promise<T>): Promise<{ result: T; mostMb: number }> {
    let mostMb = 0;
    const look = setInterval(() => (mostMb = Math.max(mostMb, familyMb(server.pid))), 20);
    try {
      return { result: await work(), mostMb };
    } finally {
      clearInterval(look);
    }
  }

  for (const [what, file, says] of [
    [
      'an archive with one text of 149 MB',
      () => new File([zipSync({ 'a.txt': new Uint8Array(149 * MB).fill(0x61) })], 'a.zip'),
      /more text than can be read at once/,
    ],
    [
      'an archive with 20 texts of 7 MB',
      () =>
        new File(
          [zipSync(Object.fromEntries(Array.from({ length: 20 }, (_, n) => [`${n}.txt`, new Uint8Array(7 * MB).fill(0x62)])))],
          'b.zip',
        ),
      /5 million letters/,
    ],
    ['a text of 24 MB', () => new File(['soak it. '.repeat(2_700_000)], 'c.txt'), /5 million letters/],
    ['a page nested 100,000 deep', () => new File(['<div>'.repeat(100_000)], 'd.html'), /./],
    [
      'a table cell over a billion columns',
      () => new File(['<table>' + '<tr><td colspan=1000000000 rowspan=65000>x'.repeat(200)], 'e.html'),
      /./,
    ],
  ] as const) {
    it(`with ${what} holds nobody up and takes bounded memory`, async () => {
      const body = form('material', file());
      const { result, mostMb } = await memoryOf(() => beside(() => server.call('/pieces', body)));
      if (result.result.status !== 200) expect((await result.result.json()).message).to.match(says);
      expect(result.longestMs).to.be.below(PROMPT_MS);
      expect(mostMb).to.be.below(1600);
    });
  }

  it('with drawings that never end is stopped, two at a time, and the next picture is taken', async () => {
    const chain = Array.from(
      { length: 60 },
      (_, n) => `<feTurbulence baseFrequency="0.0${n + 1}" numOctaves="90" result="r${n}"/><feGaussianBlur stdDeviation="90"/>`,
    ).join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="6000" height="6000"><filter id="f" x="0" y="0" width="1" height="1">${chain}</filter><rect width="6000" height="6000" filter="url(#f)"/></svg>`;
    const drawing = () => new File([svg], 'drawing.svg', { type: 'image/svg+xml' });
    const begun = performance.now();
    const { result, longestMs } = await beside(() =>
      Promise.all(Array.from({ length: 2 }, () => server.call(`/pieces/${id}/pictures`, form('picture', drawing())))),
    );
    for (const answer of result) {
      expect(answer.status).to.equal(422);
      expect((await answer.json()).message).to.match(/more work to show than there is time for/);
    }
    expect(performance.now() - begun).to.be.below(30_000);
    expect(longestMs).to.be.below(PROMPT_MS);
    const good = new File(
      [`<svg xmlns="http://www.w3.org/2000/svg" width="20" height="20"><rect width="20" height="20"/></svg>`],
      'good.svg',
    );
    expect((await server.call(`/pieces/${id}/pictures`, form('picture', good))).status).to.equal(200);
  });

  it('leaves no program behind when the server is killed', async () => {
    const own = await startServer();
    const asked = own.call('/pieces', form('material', new File(['soak it. '.repeat(500_000)], 'c.txt'))).catch(() => null);
    await new Promise((resolve) => setTimeout(resolve, 700));
    const family = familyOf(own.pid);
    await own.kill();
    await asked;
    await new Promise((resolve) => setTimeout(resolve, 1500));
    for (const pid of family) expect(isRunning(pid), String(pid)).to.equal(false);
    await own.stop();
  });
});

// What Linux says of processes (proc(5)); elsewhere there is nothing to read and these tests hold trivially.
function familyOf(pid: number): number[] {
  const parents = new Map<number, number>();
  for (const name of safely(() => readdirSync('/proc'), [] as string[])) {
    const stat = /^\d+$/.test(name) ? safely(() => readFileSync(`/proc/${name}/stat`, 'utf8'), '') : '';
    const parent = /\) \S (\d+)/.exec(stat)?.[1];
    if (parent) parents.set(Number(name), Number(parent));
  }
  return [pid, ...[...parents].filter(([, parent]) => parent === pid).map(([child]) => child)];
}

const familyMb = (pid: number): number =>
  familyOf(pid).reduce(
    (sum, one) => sum + Number(safely(() => /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${one}/status`, 'utf8'))?.[1], '0') ?? 0),
    0,
  ) / 1024;

const isRunning = (pid: number): boolean => safely(() => !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8')), false);

function safely<T>(work: () => T, otherwise: T): T {
  try {
    return work();
  } catch {
    return otherwise;
  }
}
