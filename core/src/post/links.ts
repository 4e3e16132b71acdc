/** Whether a link stays where it is: it names no host, or one of those given. */
export const isInside = (href: string, hosts: readonly string[]): boolean =>
  !/^[a-z][a-z0-9+.-]*:|^\/\//i.test(href) || (URL.canParse(href) && hosts.includes(new URL(href).host));
