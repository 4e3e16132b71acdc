// Reads material beside the server, so that a bad file ends with a sentence and not with the server.
import { closeSync, openSync, readSync } from 'node:fs';
import { type Captions, captionsInside, gatherSeveral, sound } from '@even-page/core/gather';
import { storable } from '@even-page/core/language/storable';
import { wordCount } from '@even-page/core/language/words';
import type { Material, ReadFile, RecordingFile } from '../reader.ts';
import { serve } from './serve.ts';

serve(async (question: Material | RecordingFile): Promise<ReadFile[] | Captions[]> =>
  'path' in question ? captionsOf(question) : filesOf(question),
);

async function filesOf({ bytes, name, reading, address }: Material): Promise<ReadFile[]> {
  const files = await gatherSeveral(bytes, name, reading, address);
  return files.map(({ draft, name: ownName, pictures, ...file }) => ({
    ...file,
    name: storable(ownName),
    ...(pictures ? { pictures: pictures.map((picture) => ({ ...picture, name: storable(picture.name) })) } : {}),
    words: file.source.passages.reduce((sum, p) => sum + wordCount(p.text), 0),
    ...(draft ? { draft: { doc: draft.doc.toJSON() as object, details: draft.details } } : {}),
  }));
}

function captionsOf({ path, size, type }: RecordingFile): Captions[] {
  const file = openSync(path, 'r');
  try {
    const tracks = captionsInside(
      (from, length) => {
        const bytes = new Uint8Array(Math.max(0, Math.min(length, size - from)));
        return bytes.subarray(0, readSync(file, bytes, 0, bytes.length, from));
      },
      size,
      type,
    );
    return tracks.map(({ language, passages }) => ({
      language,
      passages: sound({ source: { kind: 'recording', passages } }).source.passages,
    }));
  } finally {
    closeSync(file);
  }
}
