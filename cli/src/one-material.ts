import { Complaint } from '@even-page/core/complaint';
import { captionsInside, type Gathered, gatherSeveral, mediaType } from '@even-page/core/gather';
import { mapWords } from '@even-page/core/post/origins';
import { schema, type Origin, type PostNode } from '@even-page/core/post/schema';

/**
 * A file as one material: the captions inside a recording, a file as it is, or the files of an archive and of a mail one after the
 * other, each under its title. Throws a Complaint when nothing can be read.
 */
export async function materialOf(bytes: Uint8Array, name: string): Promise<Gathered> {
  const media = mediaType(bytes);
  if (media) {
    const [captions] = captionsInside((from, length) => bytes.subarray(from, from + length), bytes.length, media.type);
    if (!captions) throw new Complaint('This recording has no captions inside: have it heard first, and name the transcript.');
    return { source: { kind: 'recording', passages: captions.passages } };
  }
  const files = await gatherSeveral(bytes, name);
  return files.length === 1 ? files[0]! : joined(files);
}

function joined(files: readonly Gathered[]): Gathered {
  const [first] = files;
  const { title } = first!.source;
  const source = { kind: first!.source.kind, passages: files.flatMap((f) => f.source.passages), ...(title ? { title } : {}) };
  if (files.some((f) => !f.draft)) return { source };
  let at = 0;
  const blocks = files.flatMap(({ draft, source: own }, n): PostNode[] => {
    const from = at;
    at += own.passages.length;
    const doc = mapWords(draft!.doc, (block) => ({
      origins: (block.attrs.origins as Origin[]).map((o) => ({ ...o, first: o.first + from, last: o.last + from })),
    }));
    const heading = n && own.title ? [schema.node('heading', { level: 2 }, schema.text(own.title))] : [];
    return [...heading, ...doc.children];
  });
  return { source, draft: { doc: schema.node('doc', null, blocks), details: first!.draft!.details } };
}
