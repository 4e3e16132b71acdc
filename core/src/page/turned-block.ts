import type { Origin } from '../post/schema.ts';
import { type ProseSentence, saidOf } from '../tidy/index.ts';
import type { SourceProse } from '../shape/index.ts';

/**
 * The words of a paragraph of a page the other way: as said when they stand as written, and back. Null when they are neither:
 * then somebody changed them by hand, and they stay.
 */
export function turnedBlock(text: string, origins: readonly Origin[], materials: readonly SourceProse[]): string | null {
  for (const { source, first, last } of origins) {
    const sentences = materials
      .filter((m) => m.source === source)
      .flatMap((m) => m.paragraphs.flatMap((p) => p.sentences))
      .filter((s) => s.wording && s.last >= first && s.first <= last);
    const written = runOf(sentences, text, (s) => s.text);
    if (written) return written.map(saidOf).join(' ');
    const said = runOf(sentences, text, saidOf);
    if (said) return said.map((s) => s.text).join(' ');
  }
  return null;
}

/** The sentences whose words are those of a text together; others between them stayed off the page. */
function runOf(sentences: readonly ProseSentence[], text: string, wordsOf: (s: ProseSentence) => string): ProseSentence[] | null {
  let rest = `${text} `;
  const found = sentences.filter((s) => {
    const own = `${wordsOf(s)} `;
    if (!rest.startsWith(own)) return false;
    rest = rest.slice(own.length);
    return true;
  });
  return rest ? null : found;
}
