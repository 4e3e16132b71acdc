import { expect } from 'chai';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { keepBackup, listBackups } from '../../src/lib/server/backups.ts';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { startOutlet, type OutletDouble } from './outlet-double.ts';
import { fileOf, writer } from './writer.ts';

const TOKEN = 'larkfield-secret-token-7261';

describe('what is kept on the disk', () => {
  let folder: string;
  let server: RunningServer;
  let outlet: OutletDouble;
  const { bring } = writer(() => server);
  const start = async (env: Record<string, string> = {}) => (server = await startServer({ data: folder, env }));

  beforeEach(async () => {
    folder = await newFolder();
    outlet = await startOutlet();
  });
  afterEach(async () => {
    await server.stop();
    outlet.stop();
    for (const path of [folder, `${folder}.key`]) rmSync(path, { recursive: true, force: true });
  });

  const addOutlet = () => server.call('/outlets', { method: 'POST', body: { name: 'Double', endpoint: outlet.address, token: TOKEN } });
  const paths = (at = folder): string[] =>
    readdirSync(at, { withFileTypes: true }).flatMap((entry) => [
      join(at, entry.name),
      ...(entry.isDirectory() ? paths(join(at, entry.name)) : []),
    ]);
  const holding = (words: string) =>
    paths().filter((path) => {
      if (!statSync(path).isFile()) return false;
      const bytes = readFileSync(path);
      return bytes.includes(words) || (path.endsWith('.gz') && gunzipSync(bytes).includes(words));
    });

  it('is closed to other users of the machine, and put right at each start with a word about it', async () => {
    const open = join(folder, 'files', 'aa');
    mkdirSync(open, { recursive: true });
    writeFileSync(join(open, 'x'), 'x');
    chmodSync(join(open, 'x'), 0o666);
    for (const path of [open, folder]) chmodSync(path, 0o755);
    await start();
    expect(server.log()).to.match(/could be read by other users of this machine: closed to them/);
    await bring(fileOf('mending-log.md'));
    await addOutlet();
    // The database gives its own files its own modes; the folder they lie in is closed.
    const database = join(folder, 'database');
    for (const path of [folder, `${folder}.key`, ...paths().filter((p) => !p.startsWith(`${database}/`))]) {
      const { mode } = statSync(path);
      expect((mode & 0o777).toString(8), path).to.equal(statSync(path).isDirectory() ? '700' : '600');
    }
  });

  it('holds no token in clear, in database, journal or backup, and the key lies beside it', async () => {
    await start();
    expect((await addOutlet()).status).to.equal(200);
    await server.stop();
    expect(holding(TOKEN)).to.deep.equal([]);
    expect(existsSync(`${folder}.key`)).to.equal(true);
    // With another key the server starts, and sending says what to do.
    writeFileSync(`${folder}.key`, Buffer.alloc(32, 7).toString('base64'));
    await start();
    const id = await bring(fileOf('mending-log.md'));
    const { outlets } = await (await server.call('/outlets')).json();
    const sent = await server.call(`/pieces/${id}/publish`, { method: 'POST', body: { outlet: outlets[0].id } });
    expect(sent.status).to.equal(422);
    expect((await sent.json()).message).to.match(/cannot be read with the key of this server: put the right key file back/);
  });

  it('takes its key from EVEN_PAGE_KEY where that is set', async () => {
    await start({ EVEN_PAGE_KEY: Buffer.alloc(32, 3).toString('base64') });
    await addOutlet();
    expect(existsSync(`${folder}.key`)).to.equal(false);
    await server.stop();
    const cause = await startServer({ data: folder, env: { EVEN_PAGE_KEY: 'short' } }).catch((c: Error) => c.message);
    expect(cause).to.match(/EVEN_PAGE_KEY must be 32 bytes in base64/);
  });

  it('is written anew where a token of the old form stands in clear: rows, journal and backups', async () => {
    await start();
    const id = await bring(fileOf('mending-log.md'));
    await addOutlet();
    await server.stop();
    await inTheOldForm();
    expect(holding(TOKEN)).to.have.length.greaterThan(2);
    await start();
    expect(server.log()).to.contain('are sealed now');
    const { outlets } = await (await server.call('/outlets')).json();
    const sent = await server.call(`/pieces/${id}/publish`, { method: 'POST', body: { outlet: outlets[0].id } });
    expect(sent.status).to.equal(200);
    await server.stop();
    expect(holding(TOKEN)).to.deep.equal([]);
    expect(listBackups(join(folder, 'backups'))).to.have.length(1);
    await start();
    expect(server.log()).not.to.contain('are sealed now');
  });

  /** Puts the token in clear where it stood before tokens were sealed. */
  async function inTheOldForm() {
    const { PGlite } = await import('@electric-sql/pglite');
    const client = await PGlite.create(join(folder, 'database'));
    await client.query('update outlets set token = $1', [TOKEN]);
    await keepBackup(join(folder, 'backups'), () => client.dumpDataDir('gzip'), 0);
    await client.close();
    for (const name of readdirSync(join(folder, 'journal'))) {
      const path = join(folder, 'journal', name);
      writeFileSync(path, readFileSync(path, 'utf8').replace(/"token":"sealed:[^"]*"/, `"token":"${TOKEN}"`));
    }
  }

  it('and the log hold nothing of a request, also when a row cannot be written', async () => {
    await start();
    await server.stop();
    const { PGlite } = await import('@electric-sql/pglite');
    const client = await PGlite.create(join(folder, 'database'));
    await client.query(`alter table outlets add constraint refused check (name <> 'Double')`);
    await client.close();
    await start();
    expect((await addOutlet()).status).to.equal(500);
    expect(server.log()).to.match(/insert into "outlets"/);
    for (const secret of [TOKEN, 'Double', outlet.address]) expect(server.log()).not.to.contain(secret);
  });
});
