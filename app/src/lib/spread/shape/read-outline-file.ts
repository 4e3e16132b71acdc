// The readers of files weigh much: they are fetched when the first file is chosen.
import { gather } from '@even-page/core/gather';
import { incomingFrom, incomingFromText, type Incoming } from '@even-page/core/shape';

/** The parts of an outline or a draft in a file. Throws a Complaint when it cannot be read. */
export async function readOutlineFile(file: File): Promise<Incoming[]> {
  const { draft, source } = await gather(new Uint8Array(await file.arrayBuffer()), file.name);
  return draft ? incomingFrom(draft.doc) : incomingFromText(source.passages.map((p) => p.text).join('\n'));
}
