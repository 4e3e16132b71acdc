import ipaddr from 'ipaddr.js';

/** Whether an IP address is one of the public internet, not of this machine or a network around it. */
export function isPublic(ip: string): boolean {
  try {
    // ::a.b.c.d, the way IPv4 was once written in IPv6 (RFC 4291, 2.5.5.1): where it leads is not told from here.
    if (/^::\d+\./.test(ip)) return false;
    const address = ipaddr.process(ip);
    const isOldForm = address instanceof ipaddr.IPv6 && address.parts.slice(0, 6).every((part) => part === 0);
    return !isOldForm && address.range() === 'unicast';
  } catch {
    return false;
  }
}
