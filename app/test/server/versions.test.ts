import { expect } from 'chai';
import { rmSync } from 'node:fs';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { fileOf, writer } from './writer.ts';

describe('versions on the server', () => {
  let folder: string;
  let server: RunningServer;
  const { bring, read, save } = writer(() => server);

  before(async () => {
    folder = await newFolder();
    server = await startServer({ data: folder });
  });
  after(async () => {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  type Listed = { version: number; savedAt: string; savedBy: string; name: string | null };
  const list = async (id: string): Promise<Listed[]> => (await server.call(`/pieces/${id}/versions`)).json();
  const name = (id: string, version: number | string, words: unknown) =>
    server.call(`/pieces/${id}/versions/${version}`, { method: 'PUT', body: { name: words } });

  async function saved(count: number): Promise<string> {
    const id = await bring(fileOf('mending-log.md'));
    for (let i = 0; i < count; i++) {
      const { piece } = await read(id);
      await save(id, piece, { details: { title: `Title ${i}` }, base: piece.version });
    }
    return id;
  }

  it('are listed with their time and who saved them, the newest first', async () => {
    const id = await saved(2);
    const found = await list(id);
    expect(found.map((v) => v.version)).to.deep.equal([...found.keys()].map((n) => found.length - n));
    expect(found[0]!.version).to.equal((await read(id)).piece.version);
    for (const v of found) {
      expect(v.savedBy).to.equal('writer');
      expect(v.name).to.equal(null);
      expect(Date.now() - new Date(v.savedAt).getTime()).to.be.within(0, 60_000);
    }
    expect((await server.call('/pieces/00000000-0000-0000-0000-000000000000/versions')).status).to.equal(404);
    expect((await server.call('/pieces/none/versions')).status).to.equal(404);
  });

  it('take a name, another one, and none again; the page stays as it is', async () => {
    const id = await saved(1);
    const { piece } = await read(id);
    expect(await (await name(id, 1, '  As Odile sent it ')).json()).to.deep.equal({ name: 'As Odile sent it' });
    expect((await list(id)).at(-1)!.name).to.equal('As Odile sent it');
    await name(id, 1, 'First');
    expect((await list(id)).at(-1)!.name).to.equal('First');
    await name(id, 1, '');
    expect((await list(id)).at(-1)!.name).to.equal(null);
    expect((await read(id)).piece).to.deep.equal(piece);
  });

  it('refuse a name that is too long, and a version that is not there, in a sentence', async () => {
    const id = await saved(1);
    const long = await name(id, 1, 'x'.repeat(81));
    expect(long.status).to.equal(400);
    expect((await long.json()).message).to.equal('A name has at most 80 characters.');
    for (const none of [99, 2_147_483_648, 'x']) {
      const answer = await name(id, none, 'Lost');
      expect(answer.status).to.equal(404);
      expect((await answer.json()).message).to.match(/^(?:This version is not here|There is no page at this address)\.$/);
    }
    expect((await list(id)).every((v) => v.name === null)).to.equal(true);
  });

  it('are all there within the hour, however many saves there were', async () => {
    const id = await saved(25);
    const { piece } = await read(id);
    expect(await list(id)).to.have.length(piece.version);
  });

  it('keep their names through a restart', async () => {
    const id = await saved(1);
    await name(id, 1, 'Kept');
    await server.kill();
    server = await startServer({ data: folder });
    expect((await list(id)).at(-1)!.name).to.equal('Kept');
  });
});
