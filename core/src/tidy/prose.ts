import type { Source } from '../gather/index.ts';
import { sentences } from '../language/sentences.ts';
import { applyEdits, passagesOf, sourceOffset, type Edit } from './edit.ts';
import { flowOf } from './flow.ts';

/**
 * A sentence of tidied prose, the passages it came from and the stretch [from, to) of the source's flow; `startMs` is
 * the time of the first passage. Where talk was made written prose, `wording` knows what was said.
 */
export type ProseSentence = {
  text: string;
  first: number;
  last: number;
  from: number;
  to: number;
  startMs?: number;
  wording?: SentenceWording;
};

/**
 * How a sentence became written: as it was said, what rules did to it, why it goes whole (null when it stays), and how much a
 * page needs it, 0 to 3.
 */
export type SentenceWording = { said: string; changes: WordingChange[]; out: string | null; worth: number };

/** What a rule of wording did, by its name, and why. */
export type WordingChange = { rule: string; reason: string };

/** A sentence as it was said. */
export const saidOf = ({ text, wording }: ProseSentence): string => wording?.said ?? text;
/** Whether a sentence stays off the page. */
export const isOut = ({ wording }: ProseSentence): boolean => wording !== undefined && wording.out !== null;

/** A paragraph of tidied prose: its sentences, and who speaks if that is known. */
export type Paragraph = { sentences: ProseSentence[]; speaker?: string };

/** A source with edits applied, as paragraphs of sentences that know their passages. */
export function proseOf(source: Source, edits: readonly Edit[]): Paragraph[] {
  const tidied = applyEdits(flowOf(source), edits);
  const paragraphs: Paragraph[] = [];
  let at = 0;
  for (const block of tidied.text.split(/\n[ \t]*\n/)) {
    const start = tidied.text.indexOf(block, at);
    at = start + block.length;
    const found = sentences(block).map((s): ProseSentence => {
      const { first, last } = passagesOf(tidied, start + s.from, start + s.to);
      const startMs = source.passages[first]?.startMs;
      const from = sourceOffset(tidied, start + s.from);
      const to = sourceOffset(tidied, start + s.to - 1) + 1;
      return { text: s.text.replace(/\s+/g, ' '), first, last, from, to, ...(startMs === undefined ? {} : { startMs }) };
    });
    if (!found.length) continue;
    const speaker = source.passages[found[0]!.first]?.speaker;
    paragraphs.push({ sentences: found, ...(speaker ? { speaker } : {}) });
  }
  return paragraphs;
}

/** The words of a paragraph as one string. */
export const paragraphText = (p: Paragraph): string => p.sentences.map((s) => s.text).join(' ');
