import { slugOf } from '../language/slug.ts';

/** A file name in words for a picture, from its alternative text; `picture` when there is none. */
export function pictureFileName(alt: string, extension: string): string {
  return `${slugOf(alt, 60) || 'picture'}.${extension}`;
}
