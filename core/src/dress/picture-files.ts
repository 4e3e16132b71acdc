import { slugOf } from '../language/slug.ts';
import { mapPictures, picturesOf } from '../post/pictures.ts';
import type { PostNode } from '../post/schema.ts';

/** A file name in words for a picture, from its alternative text; `picture` when there is none. */
export function pictureFileName(alt: string, extension: string): string {
  return `${slugOf(alt, 60) || 'picture'}.${extension}`;
}

/** A picture that goes along with a post: where it is now, and the path it gets beside the post. */
export type PictureFile = { src: string; path: string };

/**
 * The page with its pictures beside it in a folder `pictures`, and the list of those files. Pictures that stand
 * elsewhere in the web stay where they are.
 */
export function withPictureFiles(doc: PostNode): { doc: PostNode; files: PictureFile[] } {
  const files = new Map<string, PictureFile>();
  const names = new Set<string>();
  for (const { src, alt } of picturesOf(doc)) {
    if (!src.startsWith('/') || files.has(src)) continue;
    const extension = /\.([a-z0-9]+)$/i.exec(src)?.[1] ?? 'webp';
    let name = pictureFileName(alt, extension);
    for (let n = 2; names.has(name); n++) name = pictureFileName(`${alt || 'picture'} ${n}`, extension);
    names.add(name);
    files.set(src, { src, path: `pictures/${name}` });
  }
  return { doc: mapPictures(doc, (src) => files.get(src)?.path ?? src), files: [...files.values()] };
}
