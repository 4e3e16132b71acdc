import type { Gathered } from '../../src/gather/format.ts';
import { formatOf } from '../../src/gather/formats.ts';
import { rawOf } from '../../src/gather/raw.ts';

/** Reads a text format, which needs no waiting, unlike `gather`, which reads all formats. */
export function readText(bytes: Uint8Array, name = ''): Gathered {
  const raw = rawOf(bytes, name);
  return formatOf(raw).read(raw, 'structure') as Gathered;
}
