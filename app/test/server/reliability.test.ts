import { expect } from 'chai';
import { execFileSync, spawnSync } from 'node:child_process';
import {
  appendFileSync,
  cpSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { backupsToDrop, keepBackup, listBackups, markIn, oldestMark } from '../../src/lib/server/backups.ts';
import { SaveJournal } from '../../src/lib/server/save-journal.ts';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { fileOf, form, writer } from './writer.ts';

describe('nothing that was acknowledged is lost', function () {
  let folder: string;
  let server: RunningServer;
  const { bring, read, save } = writer(() => server);
  const start = async () => (server = await startServer({ data: folder }));

  beforeEach(async () => {
    folder = await newFolder();
    await start();
  });
  afterEach(async () => {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  /** Saves titles one after another and returns the last that was acknowledged. */
  async function saveTitles(id: string, count: number): Promise<string> {
    const { piece } = await read(id);
    let { version } = piece;
    let last = '';
    for (let i = 0; i < count; i++) {
      const answer = await save(id, piece, { details: { title: `Title ${i}` }, base: version });
      version = (await answer.json()).version;
      last = `Title ${i}`;
    }
    return last;
  }

  it('when the server is killed: every save is there after the restart', async () => {
    const id = await bring(fileOf('mending-log.md'));
    const last = await saveTitles(id, 20);
    await server.kill();
    await start();
    expect((await read(id)).piece)
      .to.deep.include({ version: 22 })
      .and.to.have.nested.property('details.title', last);
  });

  it('when the database lost its last writes, as in a power cut: the journal fills them in', async () => {
    const id = await bring(fileOf('mending-log.md'));
    await server.stop();
    cpSync(join(folder, 'database'), join(folder, 'earlier'), { recursive: true });
    await start();
    const last = await saveTitles(id, 8);
    const late = await bring(fileOf('rewiring-a-lamp.vtt'));
    await server.kill();
    rmSync(join(folder, 'database'), { recursive: true });
    cpSync(join(folder, 'earlier'), join(folder, 'database'), { recursive: true });
    await start();
    expect((await read(id)).piece.details.title).to.equal(last);
    expect((await read(late)).sources[0].source.passages).to.have.length.above(20);
    expect((await server.call(`/pieces/${id}/versions/5`)).status).to.equal(200);
    // And it goes on from there.
    await saveTitles(id, 2);
  });

  it('when the journal was cut in the middle of a line, the save that was not acknowledged is the only one gone', async () => {
    const id = await bring(fileOf('mending-log.md'));
    const last = await saveTitles(id, 3);
    await server.kill();
    const [file] = readdirSync(join(folder, 'journal'));
    appendFileSync(join(folder, 'journal', file!), '{"entry":99,"rows":[["pieces",{"id":');
    await start();
    expect((await read(id)).piece.details.title).to.equal(last);
    await saveTitles(id, 1);
    await server.kill();
    await start();
  });

  it('a save sent twice is taken once', async () => {
    const id = await bring(fileOf('mending-log.md'));
    const { piece } = await read(id);
    const change = { details: { title: 'Once' }, key: 'a-key-of-this-save' };
    const first = await (await save(id, piece, change)).json();
    await saveAnother(id, first.version);
    const second = await (await save(id, piece, change)).json();
    expect(second.version).to.equal(first.version);
    expect((await read(id)).piece.details.title).to.equal('Another');
  });

  async function saveAnother(id: string, base: number) {
    await save(id, (await read(id)).piece, { details: { title: 'Another' }, base });
  }

  it('every save stays as a version', async () => {
    const id = await bring(fileOf('mending-log.md'));
    await saveTitles(id, 3);
    const titles = [];
    for (let v = 3; v <= 5; v++) titles.push((await (await server.call(`/pieces/${id}/versions/${v}`)).json()).details.title);
    expect(titles).to.deep.equal(['Title 0', 'Title 1', 'Title 2']);
    for (const none of ['99', 'x', '1.5']) expect((await server.call(`/pieces/${id}/versions/${none}`)).status).to.equal(404);
  });

  it('a second process is kept off the data folder, in one sentence', async () => {
    const second = await startServer({ data: folder }).catch((cause: Error) => cause.message);
    expect(second).to.match(/Another Even Page \(process \d+\) is at work on the folder [^\n]*EVEN_PAGE_DATA\.\n?$/);
  });

  it('a broken database says what is safe and what to do', async () => {
    await server.stop();
    writeFileSync(join(folder, 'database', 'global', 'pg_control'), 'x');
    const said = await startServer({ data: folder }).catch((cause: Error) => cause.message);
    expect(said).to.contain('cannot be opened. Nothing was changed').and.to.contain('start again');
  });

  const restore = (...args: string[]) =>
    spawnSync('node', ['--import', 'tsx', 'scripts/restore.ts', ...args], {
      env: { ...process.env, EVEN_PAGE_DATA: folder },
      encoding: 'utf8',
    });

  describe('backups', () => {
    it('bring the database back, with the saves since or as it was', async () => {
      const id = await bring(fileOf('mending-log.md'));
      await saveTitles(id, 2);
      await server.stop();
      await backUp();
      const [name] = listBackups(join(folder, 'backups'));
      await start();
      const last = await saveTitles(id, 4);
      expect(restore(name!).stderr).to.contain('Another Even Page');
      await server.stop();
      rmSync(join(folder, 'database'), { recursive: true });
      expect(restore().stdout).to.contain(name!);
      expect(restore(name!).stdout).to.contain('come back from the journal');
      await start();
      expect((await read(id)).piece.details.title).to.equal(last);
      await server.stop();
      expect(restore('newest', '--as-it-was').stdout).to.contain('as it was');
      await start();
      expect((await read(id)).piece.details.title).to.equal('Title 1');
      // Saves after that are safe again.
      const next = await saveTitles(id, 3);
      await server.kill();
      await start();
      expect((await read(id)).piece.details.title).to.equal(next);
    });

    it('of many days bring every save back from each that can be chosen', async () => {
      const id = await bring(fileOf('mending-log.md'));
      for (let day = 0; day < 3; day++) {
        await saveTitles(id, 1);
        await server.stop();
        await backUp();
        // One of each day is kept: this one was made days ago.
        const [name] = listBackups(join(folder, 'backups'));
        renameSync(join(folder, 'backups', name!), join(folder, 'backups', name!.replace(/^.{10}/, `2026-11-1${day}`)));
        await start();
      }
      const last = await saveTitles(id, 2);
      await server.stop();
      const names = listBackups(join(folder, 'backups'));
      expect(names).to.have.length(3);
      expect(restore().stdout.match(/with every save since\n/g)).to.have.length(3);
      const [oldest] = names.slice(-1);
      rmSync(join(folder, 'database'), { recursive: true });
      expect(restore(oldest!).stderr).to.equal('');
      await start();
      expect((await read(id)).piece.details.title).to.equal(last);
    });

    it('to which the journal no longer reaches say what would be missing, and change nothing', async () => {
      const id = await bring(fileOf('mending-log.md'));
      await server.stop();
      await backUp();
      await start();
      const last = await saveTitles(id, 2);
      await server.stop();
      const [name] = listBackups(join(folder, 'backups'));
      // What came between is gone: the first line after the backup.
      const journal = join(folder, 'journal', new SaveJournal(join(folder, 'journal')).files().at(-1)!);
      writeFileSync(journal, readFileSync(journal, 'utf8').split('\n').slice(1).join('\n'));
      renameSync(
        journal,
        journal.replace(/\d{12}/, (digits) => String(Number(digits) + 1).padStart(12, '0')),
      );
      expect(restore().stdout).to.contain('as it was only');
      expect(restore(name!).stderr).to.match(/no longer reaches back to .* would be missing, .* Nothing was changed\./);
      await start();
      expect((await read(id)).piece.details.title).to.equal(last);
      await server.stop();
      expect(restore(name!, '--as-it-was').status).to.equal(0);
      await start();
      expect((await read(id)).piece.details.title).not.to.equal(last);
    });

    it('are asked about before a server begins with an empty Desk beside them', async () => {
      const id = await bring(fileOf('mending-log.md'));
      const last = await saveTitles(id, 2);
      await server.stop();
      await backUp();
      const [name] = listBackups(join(folder, 'backups'));
      rmSync(join(folder, 'database'), { recursive: true });
      // The journal that reaches back to the first save fills a new database by itself.
      await start();
      expect((await read(id)).piece.details.title).to.equal(last);
      await server.stop();
      rmSync(join(folder, 'database'), { recursive: true });
      rmSync(join(folder, 'journal'), { recursive: true });
      const said = await startServer({ data: folder }).catch((cause: Error) => cause.message);
      expect(said).to.match(/There is no database in .*, yet backups beside it\. Nothing was changed\./);
      expect(existsSync(join(folder, 'database'))).to.equal(false);
      expect(restore(name!).status).to.equal(0);
      await start();
      expect((await read(id)).piece.details.title).to.equal(last);
    });

    it('that are broken change nothing', async () => {
      const id = await bring(fileOf('mending-log.md'));
      await server.stop();
      await backUp();
      const [name] = listBackups(join(folder, 'backups'));
      truncateSync(join(folder, 'backups', name!), 2000);
      expect(restore(name!)).to.include({ status: 2 }).and.to.have.property('stderr').that.contains('cannot be read');
      expect(restore('2020-01-01T00-00-00.tar.gz').stderr).to.contain('There is no backup');
      await start();
      expect((await read(id)).piece.id).to.equal(id);
    });

    // The application makes them on its own day; here one is made of the stopped database.
    async function backUp() {
      const { PGlite } = await import('@electric-sql/pglite');
      const client = await PGlite.create(join(folder, 'database'));
      const mark = await markIn(client);
      await keepBackup(join(folder, 'backups'), () => client.dumpDataDir('gzip'), mark);
      await client.close();
      const journal = new SaveJournal(join(folder, 'journal'));
      await journal.begin(oldestMark(join(folder, 'backups')));
      await journal.pack();
    }

    it('are kept for 7 days and 4 weeks', () => {
      const names = Array.from(
        { length: 60 },
        (_, i) => `${new Date(Date.UTC(2026, 10, 24, 3) - i * 86_400_000).toISOString().slice(0, 10)}T03-00-00.tar.gz`,
      );
      names.splice(1, 0, '2026-11-24T01-00-00.tar.gz');
      const gone = new Set(backupsToDrop(names));
      const kept = names.filter((n) => !gone.has(n)).map((n) => n.slice(5, 10));
      // 24 November 2026 is a Tuesday: seven days, then the Sundays that end the weeks before.
      expect(kept).to.deep.equal(['11-24', '11-23', '11-22', '11-21', '11-20', '11-19', '11-18', '11-15', '11-08']);
    });
  });

  it('tables of an older version are backed up before they are changed, and nothing of them is lost', async () => {
    const id = await bring(fileOf('mending-log.md'));
    await server.stop();
    const { PGlite } = await import('@electric-sql/pglite');
    const client = await PGlite.create(join(folder, 'database'));
    // All migrations but the first are taken back by hand.
    await client.exec(`
      alter table pieces add column doc jsonb, add column details jsonb, drop column title_key;
      update pieces set doc = v.doc, details = v.details from versions v where v.piece_id = id and v.version = pieces.version;
      drop table versions; drop table journal_mark; drop table house_style;
      drop table cover_templates; drop table clips; drop table picture_variants; drop table pictures;
      create table pictures (digest text primary key, name text not null, type text not null, width integer not null,
        height integer not null, bytes integer not null, original text not null, original_bytes integer not null,
        created_at timestamptz not null default now());
      alter table sent_pictures add constraint sent_pictures_digest_pictures_digest_fk foreign key (digest) references pictures (digest);
      alter table outlets drop column theme; alter table outlets drop column theme_from;
      drop table yardstick_pages; drop table yardsticks;
      drop table rounds; drop table ideas; drop table patterns; drop table drafters;
      drop table jobs; drop table sendings; alter table pieces drop column looks, drop column digest; alter table sources drop column upload;
      alter table sources drop column duration_ms, drop column reading, drop column notes, drop column address,
        drop column recording, drop column published, drop column transcribing;
      alter table sources alter column bytes set data type integer; alter table piece_sources drop column is_off;
      drop index pieces_touched; create index pieces_touched on pieces (touched_at);
      delete from drizzle.__drizzle_migrations where id > 1;`);
    await client.close();
    rmSync(join(folder, 'journal'), { recursive: true });
    await start();
    expect(listBackups(join(folder, 'backups'))).to.have.length(1);
    const { piece } = await read(id);
    expect(piece.details.title).to.equal('What the mending log taught us in its first winter');
    expect(piece.doc.content.length).to.be.greaterThan(5);
    // The backup was made by a database at work; it opens, and is brought up to date anew.
    await server.stop();
    expect(restore('newest', '--as-it-was').stdout).to.contain('as it was');
    await start();
    expect((await read(id)).piece.doc).to.deep.equal(piece.doc);
  });

  it('a full disk refuses a save in a sentence, and everything is well when there is room again', async function () {
    await server.stop();
    try {
      execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=140m', 'tmpfs', folder], { stdio: 'ignore' });
    } catch {
      return this.skip();
    }
    try {
      await start();
      const id = await bring(fileOf('mending-log.md'));
      const { piece } = await read(id);
      spawnSync('sh', ['-c', `cat /dev/zero > ${join(folder, 'filler')}`]);
      const refused = await save(id, piece, { details: { title: 'No room' } });
      expect(refused.status).to.equal(507);
      expect((await refused.json()).message).to.contain('The disk of the server is full');
      const addPicture = () => server.call('/pictures', form('picture', fileOf('caned-seat-from-above.png')));
      const kept = async () => readdirSync(join(folder, 'files'), { recursive: true }).length;
      const before = await kept();
      expect((await addPicture()).status).to.equal(507);
      rmSync(join(folder, 'filler'));
      // Nothing half there: the same picture is taken in when there is room.
      const { pictures } = await (await addPicture()).json();
      expect(pictures).to.have.length(1);
      expect(await kept()).to.be.greaterThan(before);
      expect((await save(id, piece, { details: { title: 'Room again' } })).status).to.equal(200);
      await server.kill();
      await start();
      expect((await read(id)).piece.details.title).to.equal('Room again');
    } finally {
      await server.stop();
      execFileSync('umount', ['-l', folder]);
    }
  });
});

describe('the journal of saves', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'journal-'))));
  afterEach(() => rmSync(folder, { recursive: true }));

  const entries = (journal: SaveJournal, mark = 0) => [...journal.after(mark)].map((e) => e.entry);

  it('counts on over restarts, and begins a new file with each backup', async () => {
    let journal = new SaveJournal(folder);
    for (let i = 0; i < 3; i++) await journal.append([['pieces', { i }]]);
    await journal.begin(0);
    await journal.pack();
    await journal.append([['pieces', {}]]);
    await journal.close();
    journal = new SaveJournal(folder);
    await journal.append([['pieces', {}]]);
    expect(entries(journal)).to.deep.equal([1, 2, 3, 4, 5]);
    expect(entries(journal, 3)).to.deep.equal([4, 5]);
    expect(journal.files()).to.deep.equal(['000000000001.jsonl.gz', '000000000004.jsonl']);
    await journal.close();
  });

  it('keeps what the oldest backup needs, and knows what it no longer reaches', async () => {
    const journal = new SaveJournal(folder);
    // A backup after each entry; the oldest kept is that of entry 2.
    for (let i = 1; i <= 4; i++) {
      await journal.append([['pieces', {}]]);
      await journal.begin(Math.min(i, 2));
      await journal.pack();
    }
    await journal.append([['pieces', {}]]);
    expect(entries(journal, 2)).to.deep.equal([3, 4, 5]);
    expect(journal.files()).to.have.length(3);
    expect([1, 2, 4, 5].map((mark) => journal.reachesBackTo(mark))).to.deep.equal([false, true, true, true]);
    await journal.close();
    const again = new SaveJournal(folder);
    expect(again.next).to.equal(6);
  });

  it('goes on after a packed file, and reads a file that lies there packed and unpacked once', async () => {
    const journal = new SaveJournal(folder);
    for (let i = 0; i < 3; i++) await journal.append([['pieces', {}]]);
    const [file] = journal.files();
    const plain = readFileSync(join(folder, file!));
    await journal.begin(0);
    await journal.pack();
    // As a crash between packing and taking away leaves them.
    writeFileSync(join(folder, file!), plain);
    const again = new SaveJournal(folder);
    expect(again.next).to.equal(4);
    await again.append([['pieces', {}]]);
    expect(entries(again)).to.deep.equal([1, 2, 3, 4]);
    await again.close();
  });

  it('is read without a change to its files, also a line that is being written', async () => {
    const journal = new SaveJournal(folder);
    await journal.append([['pieces', {}]]);
    const path = join(folder, journal.files()[0]!);
    appendFileSync(path, '{"entry":2,"half');
    const before = readFileSync(path);
    expect(new SaveJournal(folder).reachesBackTo(0)).to.equal(true);
    expect(readFileSync(path).equals(before)).to.equal(true);
    await journal.close();
    const again = new SaveJournal(folder);
    await again.append([['pieces', {}]]);
    expect(entries(again)).to.deep.equal([1, 2]);
    await again.close();
  });

  it('says which line of which file cannot be read', async () => {
    const journal = new SaveJournal(folder);
    await journal.append([['pieces', {}]]);
    await journal.close();
    const [file] = journal.files();
    writeFileSync(join(folder, file!), `broken\n${readFileSync(join(folder, file!), 'utf8')}`);
    expect(() => new SaveJournal(folder)).to.throw(/cannot be read at line 1\. Nothing was changed\./);
  });
});
