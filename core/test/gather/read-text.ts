import type { Gathered } from '@even-page/core/gather/format';
import { formatOf } from '@even-page/core/gather/formats';
import { rawOf } from '@even-page/core/gather/raw';

/** Reads a text format, which needs no waiting, unlike `gather`, which reads all formats. */
export function readText(bytes: Uint8Array, name = ''): Gathered {
  const raw = rawOf(bytes, name);
  return formatOf(raw).read(raw, 'structure') as Gathered;
}
