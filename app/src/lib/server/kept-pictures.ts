import { Complaint } from '@even-page/core/complaint';
import { pictureAddress, type Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import { mapFiles } from '@even-page/core/post/pictures';
import { docFromJSON, type PostNode } from '@even-page/core/post/schema';
import type { Person } from './person.ts';
import { addPicture } from './pictures.ts';
import type { ReadFile } from './reader.ts';

/** A file as it was read, its pictures kept here and standing in its page. */
export type WithPictures = {
  name: string;
  bytes: Uint8Array;
  source: Source;
  draft?: { doc: PostNode; details: Partial<Details> };
  notes: string[];
};

/** Keeps the pictures that came along in a file. One that no page can show is left out, and named in the notes. */
export async function keepPictures(
  person: Person,
  { name, bytes, source, draft, pictures = [], notes = [] }: ReadFile,
): Promise<WithPictures> {
  const addresses = new Map<string, string>();
  const lost: string[] = [];
  for (const [n, picture] of pictures.entries()) {
    try {
      addresses.set(pictureAddress(n), (await addPicture(person, picture)).src);
    } catch (cause) {
      if (!(cause instanceof Complaint)) throw cause;
      lost.push(picture.name);
    }
  }
  const said = lost.length ? [`Of a kind no page can show, and left out: ${lost.join(', ')}.`] : [];
  return {
    name,
    bytes,
    source,
    notes: [...notes, ...said],
    ...(draft
      ? { draft: { ...draft, doc: mapFiles(docFromJSON(draft.doc), (src) => (isGathered(src) ? (addresses.get(src) ?? null) : src)) } }
      : {}),
  };
}

const isGathered = (src: string) => src.startsWith(pictureAddress(''));
