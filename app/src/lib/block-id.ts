/** A new id for a block: 10 letters and figures, enough to be the only one in a post. */
export const newBlockId = (): string => randomName(10);

/** A random name of lower-case letters and figures. */
export function randomName(length: number): string {
  const bytes = crypto.getRandomValues(new Uint8Array(length));
  return Array.from(bytes, (b) => (b % 36).toString(36)).join('');
}

/** A random id as rows have it (UUID version 4, RFC 9562); made here, for over plain HTTP browsers make none. */
export function newRowId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
