import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';

type Properties = Record<string, unknown[]>;
type How = (answer: ServerResponse, url: string) => void | Promise<void>;

/** An outlet that takes every post, and answers as it is told. */
export type OutletDouble = {
  address: string;
  /** The posts that were made, in order. */
  posts: { url: string; properties: Properties }[];
  /** How the next new posts are answered, after they were taken. */
  answersWith: (how: How) => void;
  /** Whether it can be asked for its posts (`q=source`). */
  lists: boolean;
  /** What `q=config` answers. */
  config: object;
  /** Called when a post was taken, before it is answered. */
  taken: () => void | Promise<void>;
  stop: () => void;
};

const CREATED: How = (answer, url) => void answer.writeHead(201, { location: url }).end();

/** Starts an outlet on a free port. */
export async function startOutlet(): Promise<OutletDouble> {
  let how = CREATED;
  const server = createServer((request, answer) => void handle(request, answer).catch(() => answer.destroy()));
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const outlet: OutletDouble = {
    address,
    posts: [],
    answersWith: (next) => (how = next),
    lists: true,
    config: {},
    taken: () => {},
    stop: () => {
      server.closeAllConnections();
      server.close();
    },
  };

  async function handle(request: IncomingMessage, answer: ServerResponse) {
    const say = (status: number, body: object) =>
      answer.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
    const q = new URL(request.url!, address).searchParams.get('q');
    if (q === 'config') return say(200, outlet.config);
    if (q === 'source') {
      if (!outlet.lists) return say(400, { error: 'invalid_request' });
      const items = outlet.posts.map(({ url, properties }) => ({ type: ['h-entry'], properties: { ...properties, url: [url] } }));
      return say(200, { items: items.reverse() });
    }
    let text = '';
    for await (const part of request) text += String(part);
    const message = JSON.parse(text) as { properties?: Properties; action?: string; url?: string; replace?: Properties };
    if (message.action === 'update') {
      const post = outlet.posts.find(({ url }) => url === message.url);
      if (!post) return say(400, { error: 'invalid_request' });
      Object.assign(post.properties, message.replace);
      return answer.writeHead(204).end();
    }
    const url = `${address}/${outlet.posts.length + 1}`;
    outlet.posts.push({ url, properties: message.properties! });
    await outlet.taken();
    await how(answer, url);
  }

  return outlet;
}
