const SCHEME = /^([a-z][a-z0-9+.-]*):/i;
const SAFE = new Set(['http', 'https', 'mailto', 'tel']);

/** Whether an address may stand in a post: web, mail, telephone, or one without a scheme. */
export function isSafeAddress(address: string): boolean {
  // Browsers drop control characters and white space before they look for a scheme.
  // eslint-disable-next-line no-control-regex
  const scheme = SCHEME.exec(address.replace(/[\u0000-\u0020\u007F-\u009F\u200B]/g, ''));
  return !scheme || SAFE.has(scheme[1]!.toLowerCase());
}
