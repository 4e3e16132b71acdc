import ipaddr from 'ipaddr.js';

/** Whether an IP address is one of the public internet, not of this machine or a network around it. */
export function isPublic(ip: string): boolean {
  try {
    const address = ipaddr.process(ip);
    // ::a.b.c.d, the way IPv4 was once written in IPv6 (RFC 4291, 2.5.5.1): what it leads to is not told from here.
    const isOldForm = address.kind() === 'ipv6' && (address as ipaddr.IPv6).parts.slice(0, 6).every((part) => part === 0);
    return !isOldForm && address.range() === 'unicast';
  } catch {
    return false;
  }
}
