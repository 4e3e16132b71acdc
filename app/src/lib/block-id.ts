/** A new id for a block: 10 letters and figures, enough to be the only one in a post. */
export function newBlockId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(10));
  return Array.from(bytes, (b) => (b % 36).toString(36)).join('');
}
