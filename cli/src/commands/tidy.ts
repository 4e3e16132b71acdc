import { findEdits, paragraphText, proseOf } from '@even-page/core/tidy';
import type { Command } from './command.ts';

/**
 * A file as clean prose, every proposed repair taken; asides are named among the edits and stay in the text.
 * `edits` are offsets into its passages joined as one text.
 */
export const tidy: Command = ({ source, tools }) => {
  const edits = findEdits(source, tools);
  const prose = proseOf(
    source,
    edits.filter((e) => e.kind !== 'asides'),
  );
  const paragraphs = prose.map(paragraphText);
  const text = paragraphs.join('\n\n');
  const sentences = prose.flatMap((p) => p.sentences.map((s) => s.text));
  return { data: { text, sentences, paragraphs, edits }, text: `${text}\n` };
};
