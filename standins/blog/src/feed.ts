import { Feed } from 'feed';
import { clean } from './clean.ts';
import { textOf } from './micropub.ts';
import type { Post } from './store.ts';

/** The posts as an Atom feed (RFC 4287). */
export function feed({ origin, name, posts }: { origin: string; name: string; posts: Post[] }): string {
  const date = (post: Post, property: string) => new Date(String(post.properties[property]?.[0] ?? post.properties.published?.[0] ?? 0));
  const atom = new Feed({
    title: name,
    id: `${origin}/`,
    link: `${origin}/`,
    feedLinks: { atom: `${origin}/feed.xml` },
    author: { name },
    copyright: name,
    updated: posts.reduce((last, p) => (date(p, 'updated') > last ? date(p, 'updated') : last), new Date(0)),
  });
  for (const post of posts) {
    const content = post.properties.content?.[0] as { html?: string } | string | undefined;
    const link = `${origin}/${post.slug}`;
    atom.addItem({
      title: String(post.properties.name?.[0] ?? textOf(content).slice(0, 60)),
      id: link,
      link,
      description: String(post.properties.summary?.[0] ?? ''),
      content: typeof content === 'string' ? content : clean(content?.html ?? textOf(content)),
      date: date(post, 'updated'),
      published: date(post, 'published'),
      category: (post.properties.category ?? []).map((term) => ({ name: String(term), term: String(term) })),
    });
  }
  return atom.atom1();
}
