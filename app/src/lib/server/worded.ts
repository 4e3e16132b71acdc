import { cuesOf, durationMs, type Passage, sound, type Transcript } from '@even-page/core/gather';
import { wordCount } from '@even-page/core/language/words';

/** What a recording's row says of its words. */
export const worded = (passages: Passage[]) => ({
  passages,
  words: passages.reduce((sum, p) => sum + wordCount(p.text), 0),
  durationMs: durationMs({ kind: 'recording', passages }),
});

/** What it says of them once the transcriber has heard them. */
export function wordedByTranscript({ title, words }: Transcript) {
  const { source } = sound({ source: { kind: 'recording', passages: cuesOf(words), ...(title ? { title } : {}) } });
  return { ...worded(source.passages), ...(source.title ? { title: source.title } : {}) };
}
