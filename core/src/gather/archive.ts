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
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (++count > MOST_ENTRIES) throw new Complaint(`This archive holds more than ${MOST_ENTRIES} files: bring in the ones you need.`);
        if (name.endsWith('/') || !wanted(name)) return false;
        size += originalSize;
        if (size > MOST_UNPACKED) throw new Complaint('This archive unpacks to more than 150 MB: bring in the files you need.');
        return true;
      },
    });
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    throw new Complaint('This file is damaged and cannot be unpacked: save it again where it was made, then bring it in.');
  }
}

/** The paths an archive holds, without unpacking it. */
export function pathsIn(bytes: Uint8Array): string[] {
  const paths: string[] = [];
  unpack(bytes, (path) => {
    paths.push(path);
    return false;
  });
  return paths;
}
