import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, readdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A post as the blog keeps it: microformats 2 properties, each a list of values, under its slug. */
export type Post = {
  slug: string;
  type: string[];
  properties: Record<string, unknown[]>;
  deleted: boolean;
};

/** The blog's posts and media in a folder: a JSON file a post, a file a picture. */
export class Store {
  readonly #folder: string;
  readonly #posts = new Map<string, Post>();

  constructor(folder: string) {
    this.#folder = folder;
    mkdirSync(join(folder, 'posts'), { recursive: true });
    mkdirSync(join(folder, 'media'), { recursive: true });
    for (const file of readdirSync(join(folder, 'posts')).filter((f) => f.endsWith('.json'))) {
      const post = JSON.parse(readFileSync(join(folder, 'posts', file), 'utf8')) as Post;
      this.#posts.set(post.slug, post);
    }
  }

  /** The posts that can be read, newest first. */
  posts(): Post[] {
    const published = (p: Post) => String(p.properties.published?.[0] ?? '');
    return [...this.#posts.values()].filter((p) => !p.deleted).sort((a, b) => published(b).localeCompare(published(a)));
  }

  /** A post by its slug, deleted ones too. */
  post(slug: string): Post | undefined {
    return this.#posts.get(slug);
  }

  /** Keeps a post, whole or not at all. */
  keep(post: Post): void {
    const path = join(this.#folder, 'posts', `${post.slug}.json`);
    writeFileSync(`${path}.half`, JSON.stringify(post, null, 2));
    renameSync(`${path}.half`, path);
    this.#posts.set(post.slug, post);
  }

  /** A slug nobody has yet, made from the one wished for. */
  freeSlug(wished: string): string {
    let slug = wished;
    for (let n = 2; this.#posts.has(slug); n++) slug = `${wished}-${n}`;
    return slug;
  }

  /** Keeps a file under its own name, with a piece of its digest so that two can share a name; returns the name it got. */
  keepMedia(name: string, bytes: Uint8Array): string {
    const clean =
      name
        .toLowerCase()
        .replace(/[^a-z0-9.-]+/g, '-')
        .replace(/^[.-]+/, '') || 'file';
    const digest = createHash('sha256').update(bytes).digest('hex').slice(0, 8);
    const kept = clean.replace(/(\.[a-z0-9]+)?$/, `-${digest}$1`);
    writeFileSync(join(this.#folder, 'media', kept), bytes);
    return kept;
  }

  /** The bytes of a file; null when there is none of that name. */
  media(name: string): Uint8Array<ArrayBuffer> | null {
    if (!/^[a-z0-9][a-z0-9.-]*$/.test(name)) return null;
    try {
      return new Uint8Array(readFileSync(join(this.#folder, 'media', name)));
    } catch {
      return null;
    }
  }
}
