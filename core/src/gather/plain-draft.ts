import { postFromMarkdown } from '../post/markdown.ts';
import { schema, type PostNode } from '../post/schema.ts';
import type { GatheredPicture } from './format.ts';
import { pictureAddress } from './picture-address.ts';

/** Plain words as a page, with the pictures that came along after them. */
export function postFromPlain(words: string, pictures: GatheredPicture[]): { doc: PostNode; pictures: GatheredPicture[] } {
  const page = postFromMarkdown(words);
  const after = pictures.map(({ name }, n) =>
    schema.nodes.picture.create({ src: pictureAddress(n), alt: name.replace(/\.\w+$/, '').replace(/[_-]+/g, ' ') }),
  );
  return { doc: schema.node('doc', null, [...page.children, ...after]), pictures };
}
