/** A stand-in for an outside service, as the demo starts it: `standins/NAME/src/server.ts`, at NAME_PORT. */
export type StandIn = {
  name: string;
  /** What the demo says it is. */
  says: string;
  port: number;
  /** What it is told besides its port: by its own address, and the folder of the demo. */
  environment: (address: string, folder: string) => Record<string, string>;
  /** What the application is told of it. */
  known: (address: string) => Record<string, string>;
};

/** The token the demo's outlet is allowed to publish with. */
export const BLOG_TOKEN = 'larkfield-demo-token';

/** The stand-ins there are. */
export const STAND_INS: readonly StandIn[] = [
  {
    name: 'blog',
    says: 'The hall’s blog',
    port: 4700,
    environment: (address, folder) => ({ BLOG_ORIGIN: address, BLOG_DATA: `${folder}/blog`, BLOG_TOKEN }),
    known: (address) => ({ EVEN_PAGE_FETCH_ALLOW: new URL(address).host }),
  },
  {
    name: 'transcriber',
    says: 'The transcriber',
    port: 4800,
    environment: () => ({}),
    known: (address) => ({ TRANSCRIBER_URL: address }),
  },
  {
    name: 'drafter',
    says: 'The drafter',
    port: 4900,
    environment: () => ({}),
    known: (address) => ({ DRAFTER_URL: address }),
  },
  {
    name: 'stock',
    says: 'The picture stock',
    port: 5000,
    environment: () => ({}),
    known: (address) => ({ STOCK_URL: address }),
  },
  {
    name: 'clip-host',
    says: 'The clip host',
    port: 5100,
    environment: () => ({}),
    known: (address) => ({ EVEN_PAGE_FETCH_ALLOW: new URL(address).host }),
  },
  {
    name: 'results',
    says: 'The result list',
    port: 5200,
    environment: () => ({}),
    known: (address) => ({ RESULTS_URL: address, EVEN_PAGE_FETCH_ALLOW: new URL(address).host }),
  },
];
