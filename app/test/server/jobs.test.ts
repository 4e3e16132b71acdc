import { PGlite } from '@electric-sql/pglite';
import { expect } from 'chai';
import { once } from 'node:events';
import { readFileSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import postgres from 'postgres';
import { listBackups } from '../../src/lib/server/backups.ts';
import { SaveJournal } from '../../src/lib/server/save-journal.ts';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { uploader } from './uploader.ts';
import { ENGINES, writer } from './writer.ts';

const WAV = new Uint8Array(readFileSync(new URL('../../../core/test/samples/tone.wav', import.meta.url)));
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A transcriber that works 200 ms on each recording and at times cannot be reached; it knows which keys came. */
class MoodyTranscriber {
  readonly jobs = new Map<string, number>();
  isAway = false;
  readonly #server: Server;

  constructor() {
    this.#server = createServer((request, response) => {
      request.resume();
      request.on('end', () => {
        if (this.isAway) return response.writeHead(503).end('{"message": "Back soon."}');
        if (request.method === 'POST') {
          const key = request.headers['idempotency-key'] as string;
          if (!this.jobs.has(key)) this.jobs.set(key, Date.now());
          return response.end(JSON.stringify({ id: key }));
        }
        const begun = this.jobs.get(decodeURIComponent(request.url!.split('/').at(-1)!))!;
        const done = { state: 'done', words: [{ text: 'Lamps.', startMs: 0, endMs: 500 }] };
        return response.end(JSON.stringify(Date.now() - begun < 200 ? { state: 'working', progress: 0.5 } : done));
      });
    }).listen(0, '127.0.0.1');
  }

  async address(): Promise<string> {
    if (!this.#server.listening) await once(this.#server, 'listening');
    return `http://127.0.0.1:${(this.#server.address() as AddressInfo).port}`;
  }

  close(): void {
    this.#server.closeAllConnections();
    this.#server.close();
  }
}

for (const { name, fresh } of ENGINES) {
  describe(`jobs on ${name}`, () => {
    const RECORDINGS = 3;

    it('end once each, whenever the servers that do them are killed, and whether the service is there or not', async () => {
      const transcriber = new MoodyTranscriber();
      const data = await newFolder();
      const settings = await fresh();
      const env = { ...settings, TRANSCRIBER_URL: await transcriber.address(), EVEN_PAGE_LEASE_SECONDS: '2' };
      const isShared = 'DATABASE_URL' in settings;
      const start = () => startServer({ data, env });
      const servers: RunningServer[] = [await start()];
      const ends = isShared ? await noteEnds(settings.DATABASE_URL!) : () => endsInJournal(data);
      if (isShared) servers.push(await start());
      const { read } = writer(() => servers[0]!);

      const id = (await (await servers[0]!.call('/pieces', { method: 'POST', body: new FormData() })).json()).id as string;
      for (let n = 0; n < RECORDINGS; n++) {
        const upload = await uploader(servers[0]!).upload(new Uint8Array([...WAV, n]));
        await servers[0]!.call(`/pieces/${id}/recordings`, { method: 'POST', body: { upload, name: `tone ${n}.wav` } });
        transcriber.isAway = n % 2 === 1;
        const victim = n % servers.length;
        await wait(40 + n * 70);
        await servers[victim]!.kill();
        servers[victim] = await start();
      }
      transcriber.isAway = false;
      let sources: { id: string; words: number; transcribing: unknown }[] = [];
      while (sources.length < RECORDINGS || sources.some((source) => source.transcribing)) {
        await wait(200);
        sources = (await read(id)).sources;
      }
      expect(sources.map((source) => source.words)).to.deep.equal(Array.from({ length: RECORDINGS }, () => 1));
      expect(transcriber.jobs.size, 'recordings that were sent').to.equal(RECORDINGS);
      for (const server of servers) await server.stop();
      const ended = (await ends()).filter((key) => key.startsWith('transcribe '));
      expect(ended.sort()).to.deep.equal(sources.map((source) => `transcribe ${source.id}`).sort());
      transcriber.close();
      rmSync(data, { recursive: true });
    });
  });
}

/** The keys of the jobs that ended, one for each time, as the journal of saves has them. */
async function endsInJournal(data: string): Promise<string[]> {
  const entries = [...new SaveJournal(join(data, 'journal')).after(0)];
  const rows = entries.flatMap((entry) => entry.rows).filter(([table, row]) => table === 'jobs' && row.state === 'done');
  return rows.map(([, row]) => row.key as string);
}

/** Has a PostgreSQL server note each time a job ends; returns what reads the notes. */
async function noteEnds(url: string): Promise<() => Promise<string[]>> {
  const client = postgres(url);
  await client.unsafe(`create table ends (key text);
    create function note_end() returns trigger language plpgsql as $$ begin insert into ends values (new.key); return new; end $$;
    create trigger note_end after update on jobs for each row when (new.state = 'done') execute function note_end();`);
  return async () => {
    const rows = await client<{ key: string }[]>`select key from ends`;
    await client.end();
    return rows.map((row) => row.key);
  };
}

describe('jobs', () => {
  let folder: string;
  beforeEach(async () => (folder = await newFolder()));
  afterEach(() => rmSync(folder, { recursive: true }));

  /** Runs statements in the database of a server that is stopped. */
  async function inDatabase<R>(work: (client: PGlite) => Promise<R>): Promise<R> {
    const client = await PGlite.create(join(folder, 'database'));
    try {
      return await work(client);
    } finally {
      await client.close();
    }
  }
  const add = (kind: string, payload = {}) =>
    inDatabase((client) => client.query(`insert into jobs (kind, key, payload) values ($1, $1, $2)`, [kind, payload]));
  const jobs = () => inDatabase(async (client) => (await client.query<Record<string, unknown>>('select * from jobs')).rows);

  it('that waited when the server ended are done at the next start: the daily backup', async () => {
    await add('daily-backup');
    const server = await startServer({ data: folder });
    while (!listBackups(join(folder, 'backups')).length) await wait(50);
    await wait(200);
    await server.stop();
    expect((await jobs())[0]).to.include({ kind: 'daily-backup', state: 'done', takes: 1 });
    // Started again, it is not done once more.
    await (await startServer({ data: folder })).stop();
    expect(listBackups(join(folder, 'backups'))).to.have.length(1);
  });

  it('that cannot be done are given up with a reason, and hold up no other', async () => {
    await add('of-another-version');
    await add('transcribe', { source: 'none' });
    await add('daily-backup');
    const server = await startServer({ data: folder });
    while (!listBackups(join(folder, 'backups')).length) await wait(50);
    await wait(1500);
    await server.stop();
    const states = Object.fromEntries((await jobs()).map(({ kind, state, says }) => [kind, `${state} ${says}`.trim()]));
    expect(states).to.deep.equal({
      'of-another-version': 'failed Nobody here knows how to do this work: of-another-version.',
      transcribe: 'failed Nobody here knows how to do this work: transcribe.',
      'daily-backup': 'done',
    });
  });

  it('that are held up are tried again by themselves, and at once when the writer asks', async () => {
    const transcriber = new MoodyTranscriber();
    transcriber.isAway = true;
    const server = await startServer({ data: folder, env: { TRANSCRIBER_URL: await transcriber.address() } });
    const id = (await (await server.call('/pieces', { method: 'POST', body: new FormData() })).json()).id as string;
    const upload = await uploader(server).upload(WAV);
    await server.call(`/pieces/${id}/recordings`, { method: 'POST', body: { upload, name: 'tone.wav' } });
    const [source] = (await (await server.call(`/pieces/${id}`)).json()).sources;
    const address = `/sources/${source.id}/transcribing`;
    const now = async () => (await (await server.call(address)).json()).transcribing as { state: string; says: string } | null;
    while (!(await now())!.says) await wait(50);
    expect(await now()).to.include({ state: 'working', says: 'The transcriber said: Back soon.' });
    // The next try is two seconds off, those after it four and more.
    await wait(2500);
    transcriber.isAway = false;
    await server.call(address, { method: 'POST' });
    const asked = Date.now();
    while (await now()) await wait(50);
    expect(Date.now() - asked).to.be.lessThan(3000);
    await server.stop();
    transcriber.close();
  });

  it('that ended a month ago are forgotten', async () => {
    await inDatabase((client) =>
      client.exec(`insert into jobs (kind, key, payload, state, run_at) values
        ('daily-backup', 'old', '{}', 'done', now() - interval '31 days'), ('daily-backup', 'new', '{}', 'done', now() - interval '29 days')`),
    );
    await add('forget-ended');
    const server = await startServer({ data: folder });
    await wait(1500);
    await server.stop();
    expect((await jobs()).map((job) => job.key)).to.have.members(['new', 'forget-ended']);
  });
});
