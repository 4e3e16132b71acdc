/** A new id for a block: 10 letters and figures, enough to be the only one in a post. */
export const newBlockId = (): string => randomName(10);

/** A random name of lower-case letters and figures. */
export function randomName(length: number): string {
  const bytes = crypto.getRandomValues(new Uint8Array(length));
  return Array.from(bytes, (b) => (b % 36).toString(36)).join('');
}
