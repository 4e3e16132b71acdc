import { unzipSync } from 'fflate';
import { Complaint } from '../complaint.ts';

// Far beyond any post's material, and little enough to hold in memory.
const MOST_ENTRIES = 2000;
const MOST_UNPACKED = 150 * 1024 * 1024;

export type Entries = Record<string, Uint8Array>;

/**
 * The files of a ZIP archive by their path, those that `wanted` asks for.
 * Throws a Complaint when it is damaged, holds too many files, or would unpack to too much.
 */
export function unpack(bytes: Uint8Array, wanted: (path: string) => boolean = () => true): Entries {
  let count = 0;
  let size = 0;
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (++count > MOST_ENTRIES) throw new Complaint(`This archive holds more than ${MOST_ENTRIES} files: bring in the ones you need.`);
        if (name.endsWith('/') || !wanted(properName(name))) return false;
        size += originalSize;
        if (size > MOST_UNPACKED) throw new Complaint('This archive unpacks to more than 150 MB: bring in the files you need.');
        return true;
      },
    });
    return Object.fromEntries(Object.entries(found).map(([name, file]) => [properName(name).replaceAll('\\', '/'), file]));
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    throw new Complaint('This file is damaged and cannot be unpacked: save it again where it was made, then bring it in.');
  }
}

/**
 * A file name as it was meant: one without the mark of UTF-8 is handed over a byte a letter, and is UTF-8 all the same, or
 * the code page 437 that ZIP names by default (APPNOTE 6.3.10, appendix D).
 */
function properName(name: string): string {
  // eslint-disable-next-line no-control-regex -- letters of one byte are what gives it away
  if (!/[\u0080-\u00ff]/.test(name) || /[^\u0000-\u00ff]/.test(name)) return name;
  const letters = Uint8Array.from(name, (c) => c.charCodeAt(0));
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(letters);
  } catch {
    // In Latin-1 these are no letters; in code page 437 they are the common ones.
    return /[\u0080-\u009f]/.test(name) ? name.replace(/[\u0080-\u00a7]/g, (c) => PAGE_437[c.charCodeAt(0) - 0x80]!) : name;
  }
}

const PAGE_437 = 'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº';

/** The paths an archive holds, without unpacking it. */
export function pathsIn(bytes: Uint8Array): string[] {
  const paths: string[] = [];
  unpack(bytes, (path) => {
    paths.push(path);
    return false;
  });
  return paths;
}
