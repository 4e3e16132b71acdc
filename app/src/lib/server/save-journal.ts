import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, truncateSync } from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';
import { syncFolder } from './sync-folder.ts';
import type { WrittenRow } from './writing.ts';

/** One acknowledged write: its number and the rows as they stood after it. */
export type Entry = { entry: number; at: string; rows: WrittenRow[] };

const fileName = (first: number) => `${String(first).padStart(12, '0')}.jsonl`;
const firstOf = (name: string) => Number(name.slice(0, 12));

/**
 * The journal of saves: what the embedded database cannot promise (that a save survives a power cut) this file
 * does. Each write is a line, on the disk before the writer hears that it was saved. A new file begins with
 * each backup.
 */
export class SaveJournal {
  readonly #folder: string;
  #last: number;
  #file: FileHandle | null = null;
  #name: string | null = null;
  #size = 0;

  /** Opens the journal in a folder. A line cut short by a crash was never acknowledged and is taken off. */
  constructor(folder: string) {
    this.#folder = folder;
    mkdirSync(folder, { recursive: true });
    const [newest] = this.files().reverse();
    this.#last = newest ? firstOf(newest) - 1 : 0;
    if (!newest) return;
    this.#name = newest;
    const path = join(folder, newest);
    const text = readFileSync(path);
    this.#size = text.lastIndexOf(0x0a) + 1;
    if (this.#size < text.length) truncateSync(path, this.#size);
    this.#last = linesOf(path, text.subarray(0, this.#size)).at(-1)?.entry ?? this.#last;
  }

  /** The files of the journal, oldest first. */
  files(): string[] {
    return readdirSync(this.#folder)
      .filter((name) => /^\d{12}\.jsonl$/.test(name))
      .sort();
  }

  /** The number the next entry gets. */
  get next(): number {
    return this.#last + 1;
  }

  /** Whether every entry after a mark is still here, so that a database of that mark can be brought up to date. */
  reachesBackTo(mark: number): boolean {
    const [oldest] = this.files();
    return mark >= this.#last || (oldest !== undefined && firstOf(oldest) <= mark + 1);
  }

  /** Counts on from a mark that lies beyond the entries here, as after a journal was set aside. */
  continueFrom(mark: number): void {
    if (mark <= this.#last) return;
    this.#last = mark;
    this.#name = null;
  }

  /** The entries after a mark, in order. */
  *after(mark: number): Generator<Entry> {
    const files = this.files();
    for (const [i, name] of files.entries()) {
      const next = files[i + 1];
      if (next && firstOf(next) <= mark + 1) continue;
      const path = join(this.#folder, name);
      for (const entry of linesOf(path, readFileSync(path))) if (entry.entry > mark) yield entry;
    }
  }

  /** Adds an entry; resolves when it is on the disk. Where that fails, nothing of it stays behind. */
  async append(rows: WrittenRow[]): Promise<void> {
    const entry = this.#last + 1;
    this.#file ??= await this.#open(entry);
    const line = Buffer.from(`${JSON.stringify({ entry, at: new Date().toISOString(), rows } satisfies Entry)}\n`);
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

  /** Begins a new file, as a backup was made. The two before it stay, so that an older backup can be brought up to date too. */
  async begin(): Promise<void> {
    await this.close();
    this.#name = null;
    for (const name of this.files().slice(0, -2)) rmSync(join(this.#folder, name));
  }

  async close(): Promise<void> {
    await this.#file?.close();
    this.#file = null;
  }

  async #open(first: number): Promise<FileHandle> {
    const name = (this.#name ??= fileName(first));
    const path = join(this.#folder, name);
    const fresh = !existsSync(path);
    const file = await open(path, 'a');
    if (fresh) {
      this.#size = 0;
      await syncFolder(this.#folder);
    }
    return file;
  }
}

function linesOf(path: string, text: Buffer): Entry[] {
  const lines = text.toString('utf8').split('\n').filter(Boolean);
  return lines.map((line, i) => {
    try {
      return JSON.parse(line) as Entry;
    } catch {
      throw new Complaint(
        `The journal of saves ${path} cannot be read at line ${i + 1}. Nothing was changed. Move that file out of its folder to start without it; keep it, the saves in its other lines can still be read.`,
      );
    }
  });
}
