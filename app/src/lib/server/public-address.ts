import ipaddr from 'ipaddr.js';

/** Whether an IP address is one of the public internet, not of this machine or a network around it. */
export function isPublic(ip: string): boolean {
  try {
    return ipaddr.process(ip).range() === 'unicast';
  } catch {
    return false;
  }
}
