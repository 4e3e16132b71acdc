import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, truncateSync } from 'node:fs';
import { open, readFile, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { gunzipSync, gzip, gzipSync } from 'node:zlib';
import { Complaint } from '@even-page/core/complaint';
import { replaceFile, syncFolder } from './sync-folder.ts';
import { FORMAT, upcast, type Entry, type WrittenRow } from './journal-entry.ts';
import { MIGRATIONS_KNOWN } from './migrations.ts';

const fileName = (first: number) => `${String(first).padStart(12, '0')}.jsonl`;
const firstOf = (name: string) => Number(name.slice(0, 12));
const isPacked = (name: string) => name.endsWith('.gz');

/**
 * The journal of saves: what the embedded database cannot promise (that a save survives a power cut) this file
 * does. Each write is a line, on the disk before the writer hears that it was saved. A new file begins with
 * each backup; the ones before it are packed (gzip, RFC 1952) and stay as long as a backup needs them.
 */
export class SaveJournal {
  readonly #folder: string;
  #last: number;
  #file: FileHandle | null = null;
  #name: string | null = null;
  #size = 0;

  /**
   * Opens the journal in a folder; reading changes nothing in it. A line cut short by a crash was never acknowledged: it
   * is passed over, and taken off before the next is written.
   */
  constructor(folder: string) {
    this.#folder = folder;
    mkdirSync(folder, { recursive: true });
    const [newest] = this.files().reverse();
    this.#last = newest ? firstOf(newest) - 1 : 0;
    if (!newest) return;
    const text = this.#read(newest);
    this.#size = text.length;
    if (!isPacked(newest)) this.#name = newest;
    this.#last = linesOf(join(folder, newest), text).at(-1)?.entry ?? this.#last;
  }

  /** The files of the journal, oldest first. */
  files(): string[] {
    const names = readdirSync(this.#folder).filter((name) => /^\d{12}\.jsonl(?:\.gz)?$/.test(name));
    // A file that was just packed may still lie beside its packed form: they say the same.
    return names.filter((name) => !isPacked(name) || !names.includes(name.slice(0, -3))).sort();
  }

  /** The whole lines of a file. */
  #read(name: string): Buffer {
    const path = join(this.#folder, name);
    const bytes = readFileSync(path);
    if (!isPacked(name)) return bytes.subarray(0, bytes.lastIndexOf(0x0a) + 1);
    try {
      return gunzipSync(bytes);
    } catch {
      throw new Complaint(
        `The journal of saves ${path} is damaged. Nothing was changed. Move that file out of its folder to start without it.`,
      );
    }
  }

  /** The number the next entry gets. */
  get next(): number {
    return this.#last + 1;
  }

  /** Whether every entry after a mark is still here, so that a database of that mark can be brought up to date. */
  reachesBackTo(mark: number): boolean {
    let next = mark + 1;
    for (const { entry } of this.after(mark)) if (entry !== next++) return false;
    return next > this.#last;
  }

  /** Counts on from a mark that lies beyond the entries here, as after a journal was set aside. */
  continueFrom(mark: number): void {
    if (mark <= this.#last) return;
    this.#last = mark;
    this.#name = null;
  }

  /** When the first entry was made that is still here; null when there is none. */
  get begins(): Date | null {
    for (const name of this.files()) {
      const [first] = linesOf(name, this.#read(name));
      if (first) return new Date(first.at);
    }
    return null;
  }

  /** The entries after a mark, in order. */
  *after(mark: number): Generator<Entry> {
    const files = this.files();
    for (const [i, name] of files.entries()) {
      const next = files[i + 1];
      if (next && firstOf(next) <= mark + 1) continue;
      for (const entry of linesOf(join(this.#folder, name), this.#read(name))) if (entry.entry > mark) yield entry;
    }
  }

  /** Writes every entry anew that `change` gives another form of; the others stay. */
  async rewrite(change: (entry: Entry) => Entry): Promise<void> {
    await this.close();
    for (const name of this.files()) {
      const was = linesOf(join(this.#folder, name), this.#read(name));
      const now = was.map(change);
      if (now.every((entry, i) => entry === was[i])) continue;
      const text = Buffer.from(now.map((entry) => `${JSON.stringify(entry)}\n`).join(''));
      await replaceFile(join(this.#folder, name), isPacked(name) ? gzipSync(text) : text);
      if (name === this.#name) this.#size = text.length;
    }
  }

  /** Adds an entry; resolves when it is on the disk. Where that fails, nothing of it stays behind. */
  async append(rows: WrittenRow[]): Promise<void> {
    const entry = this.#last + 1;
    this.#file ??= await this.#open(entry);
    const written: Entry = { format: FORMAT, entry, at: new Date().toISOString(), schema: MIGRATIONS_KNOWN, rows };
    const line = Buffer.from(`${JSON.stringify(written)}\n`);
    try {
      await this.#file.appendFile(line);
      await this.#file.datasync();
    } catch (cause) {
      await this.#file.truncate(this.#size).catch(() => {});
      throw cause;
    }
    this.#size += line.length;
    this.#last = entry;
  }

  /**
   * Begins a new file, as a backup was made, and lets go of what no backup needs any more.
   * @param mark the last entry that the oldest backup holds
   */
  async begin(mark: number): Promise<void> {
    await this.close();
    this.#name = null;
    const files = this.files();
    for (const [i, name] of files.entries()) {
      const next = files[i + 1];
      if (next && firstOf(next) <= mark + 1) rmSync(join(this.#folder, name));
    }
  }

  /** Packs the files that no entry is added to any more. */
  async pack(): Promise<void> {
    for (const name of this.files()) {
      const path = join(this.#folder, name);
      if (isPacked(name) || name === this.#name) continue;
      await replaceFile(`${path}.gz`, await gzipAside(await readFile(path)));
      rmSync(path);
    }
  }

  async close(): Promise<void> {
    await this.#file?.close();
    this.#file = null;
  }

  async #open(first: number): Promise<FileHandle> {
    const name = (this.#name ??= fileName(first));
    const path = join(this.#folder, name);
    const fresh = !existsSync(path);
    if (!fresh) truncateSync(path, this.#size);
    const file = await open(path, 'a');
    if (fresh) {
      this.#size = 0;
      await syncFolder(this.#folder);
    }
    return file;
  }
}

const gzipAside = promisify(gzip);

function linesOf(path: string, text: Buffer): Entry[] {
  const lines = text.toString('utf8').split('\n').filter(Boolean);
  return lines.map((line, i) => upcast(parsed(line, () => `${path} cannot be read at line ${i + 1}`)));
}

function parsed(line: string, where: () => string): object {
  try {
    return JSON.parse(line) as object;
  } catch {
    throw new Complaint(
      `The journal of saves ${where()}. Nothing was changed. Move that file out of its folder to start without it; keep it, the saves in its other lines can still be read.`,
    );
  }
}
