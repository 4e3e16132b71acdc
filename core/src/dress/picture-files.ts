import { slugOf } from '../language/slug.ts';
import { clipsOf, mapFiles, shownPictures } from '../post/pictures.ts';
import type { PostNode } from '../post/schema.ts';

/** A file name in words for a picture: its own, or one from its alternative text; `picture` when there is neither. */
export function pictureFileName(words: string, extension: string): string {
  return `${slugOf(words, 60) || 'picture'}.${extension}`;
}

/** A name for the file of a picture, from what is seen on it; the main phrase of the post goes before it unless it is said already. */
export function proposedFileName(alt: string, phrase: string): string {
  const [own, main] = [slugOf(alt, 60), slugOf(phrase, 40)];
  const isSaid = !main || main.split('-').every((word) => own.split('-').includes(word));
  return isSaid ? own : slugOf(`${phrase} ${alt}`, 60);
}

/** A file that goes along with a post: where it is now, and the path it gets beside the post. */
export type FileAlong = { src: string; path: string };

/**
 * The page with the files it names beside it, pictures in a folder `pictures` and recordings in `clips`, and the list of
 * those files. What stands elsewhere in the web stays where it is.
 */
export function withFilesAlong(doc: PostNode): { doc: PostNode; files: FileAlong[] } {
  const files = new Map<string, FileAlong>();
  const names = new Set<string>();
  const take = (src: string, folder: string, words: string, extension: string) => {
    if (!src.startsWith('/') || files.has(src)) return;
    let name = pictureFileName(words, extension);
    for (let n = 2; names.has(name); n++) name = pictureFileName(`${words || 'picture'} ${n}`, extension);
    names.add(name);
    files.set(src, { src, path: `${folder}/${name}` });
  };
  for (const { src, alt, fileName } of shownPictures(doc)) take(src, 'pictures', fileName || alt, 'webp');
  for (const { address, title } of clipsOf(doc)) take(address, 'clips', title || 'clip', /\.([a-z0-9]+)$/i.exec(address)?.[1] ?? 'webm');
  return { doc: mapFiles(doc, (src) => files.get(src)?.path ?? src), files: [...files.values()] };
}
