import { PGlite } from '@electric-sql/pglite';
import { expect } from 'chai';
import { drizzle } from 'drizzle-orm/pglite';
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FORMAT, upcast, type WrittenRow } from '../../src/lib/server/journal-entry.ts';
import { MIGRATIONS_KNOWN, migrateTo, migrationsMade } from '../../src/lib/server/migrations.ts';
import { bringUpToDate } from '../../src/lib/server/replay.ts';
import { SaveJournal } from '../../src/lib/server/save-journal.ts';
import * as schema from '../../src/lib/server/schema.ts';
import { PGLITE } from '../../src/lib/server/tables.ts';

const ID = '00000000-0000-4000-8000-000000000001';
const FIRST = '000000000001.jsonl';

describe('a database is brought up to date from the journal of saves', () => {
  let folder: string;
  let client: PGlite;

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'journal-'));
    client = await PGlite.create(PGLITE);
  });
  afterEach(async () => {
    await client.close();
    rmSync(folder, { recursive: true });
  });

  const lines = (...entries: object[]) => appendFileSync(join(folder, FIRST), entries.map((e) => `${JSON.stringify(e)}\n`).join(''));
  const entry = (number: number, made: number, ...rows: WrittenRow[]) => ({
    format: FORMAT,
    entry: number,
    at: '2026-11-20T10:00:00.000Z',
    schema: made,
    rows,
  });
  const rowsOf = async (table: string) => (await client.query<Record<string, unknown>>(`select * from ${table}`)).rows;
  const bring = () => bringUpToDate(client, new SaveJournal(folder));

  it('when a new version starts right after a crash: a save of before goes into the tables of before, which then change', async () => {
    const db = drizzle(client, { schema });
    await migrateTo(db, 7);
    expect(await migrationsMade(db)).to.equal(7);
    // At the seventh migration the transcriber's work was in a column of another name, and no job saw to it.
    const recording = { digest: 'd', type: 'audio/ogg', isVideo: false, bytes: 9 };
    const source = {
      id: ID,
      digest: 'd',
      bytes: 9,
      name: 'a.ogg',
      kind: 'recording',
      passages: [],
      words: 0,
      created_by: 'writer',
      recording,
    };
    lines(entry(1, 7, ['sources', { ...source, hearing: { job: 'seven', progress: 0.5, says: '' } }]));
    await bring();
    expect(await migrationsMade(db)).to.equal(MIGRATIONS_KNOWN);
    const [row] = await rowsOf('sources');
    expect(row).to.deep.include({ id: ID, recording, transcribing: { state: 'working', job: 'seven', progress: 0.5, says: '' } });
    expect((await rowsOf('jobs'))[0]).to.deep.include({ kind: 'transcribe', payload: { source: ID }, state: 'waiting' });
    expect(await rowsOf('journal_mark')).to.deep.equal([{ id: 1, entry: 1 }]);
  });

  it('with rows put, put again and gone, in the order they were written', async () => {
    const style = (n: number) => ['house_style', { id: 1, style: { n } }] satisfies WrittenRow;
    const outlet = { id: ID, name: 'Blog', endpoint: 'https://blog.example', token: 'sealed:1:x' };
    lines(
      entry(1, MIGRATIONS_KNOWN, style(1), ['outlets', outlet]),
      entry(2, MIGRATIONS_KNOWN, style(2), ['house_style', { id: 1 }, 'gone'], style(3)),
      entry(3, MIGRATIONS_KNOWN, ['outlets', { id: ID }, 'gone'], ['outlets', { ...outlet, name: 'Notes' }]),
      entry(4, MIGRATIONS_KNOWN, ['house_style', { id: 1 }, 'gone']),
    );
    await bring();
    expect(await rowsOf('house_style')).to.deep.equal([]);
    expect((await rowsOf('outlets')).map((row) => row.name)).to.deep.equal(['Notes']);
    // Brought up to date again, nothing changes.
    await bring();
    expect(await rowsOf('outlets')).to.have.length(1);
  });

  it('also where its lines are of the first format, which named columns as the code does', async () => {
    lines({
      entry: 1,
      at: '2026-11-20T10:00:00.000Z',
      rows: [
        [
          'sources',
          {
            id: ID,
            digest: 'd',
            bytes: 1,
            name: 'a.txt',
            kind: 'text',
            passages: [],
            words: 0,
            durationMs: 1000,
            hearing: { job: null, progress: 0, says: 'No.' },
            createdBy: 'writer',
            createdAt: '2026-11-20T10:00:00.000Z',
          },
        ],
      ],
    });
    await bring();
    expect((await rowsOf('sources'))[0]).to.deep.include({
      duration_ms: 1000,
      created_by: 'writer',
      reading: 'structure',
      transcribing: { state: 'failed', job: null, progress: 0, says: 'No.' },
    });
  });

  it('but not by one that a newer version wrote, nor on top of newer tables: it says so and changes nothing', async () => {
    expect(() => upcast({ format: FORMAT + 1 })).to.throw(/^A newer Even Page has been at work .* Nothing was changed\./);
    lines(entry(1, MIGRATIONS_KNOWN + 1, ['house_style', { id: 1, style: {} }]));
    expect(await bring().catch((cause: Error) => cause.message)).to.match(/^A newer Even Page/);
    expect(await client.query(`select to_regclass('house_style') as it`)).to.have.nested.property('rows[0].it', null);
  });
});
