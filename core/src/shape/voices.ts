import { wordCount } from '../language/words.ts';
import type { House, ProseSentence } from '../tidy/index.ts';

/** A paragraph of a page, and who says it if that is known. */
export type Voiced = { sentences: readonly ProseSentence[]; speaker?: string };

/** How a paragraph opens: with the name of who speaks, and whether it is a question that stands in bold. */
export type Opening = { name: string; isQuestion: boolean };

// Who has so much of the words gives a talk; the others only put in a word.
const TALKS = 0.85;
// Who asks has questions in so many of the turns.
const ASKS = 0.5;

/**
 * How each paragraph of each section opens. Only where several speak: a name stands where the voice changes, and at the head
 * of a section; who gives a talk is not named before another has spoken.
 */
export function openings(sections: readonly (readonly Voiced[])[], voices: House['voices']): Opening[][] {
  const plain = { name: '', isQuestion: false };
  const all = sections.flat();
  const words = new Map<string, number>();
  for (const p of all)
    if (p.speaker) words.set(p.speaker, (words.get(p.speaker) ?? 0) + p.sentences.reduce((sum, s) => sum + wordCount(s.text), 0));
  if (voices === 'none' || words.size < 2) return sections.map((s) => s.map(() => plain));
  const total = [...words.values()].reduce((sum, n) => sum + n, 0);
  const [most] = [...words].sort((a, b) => b[1] - a[1])[0]!;
  const speaks = words.get(most)! >= TALKS * total ? most : undefined;
  const asker = voices === 'questions' ? askerOf(all) : undefined;
  return sections.map((section) => {
    let before = speaks;
    return section.map((p): Opening => {
      if (asker !== undefined && words.size === 2) return { name: '', isQuestion: p.speaker === asker };
      const changes = p.speaker !== before;
      before = p.speaker;
      return { name: changes ? (p.speaker ?? '') : '', isQuestion: p.speaker === asker && asker !== undefined };
    });
  });
}

/** Who asks: the one whose turns are questions most often, if they are often enough. */
function askerOf(all: readonly Voiced[]): string | undefined {
  const turns = new Map<string, { all: number; asking: number }>();
  for (const { speaker, sentences } of all) {
    if (!speaker) continue;
    const t = turns.get(speaker) ?? { all: 0, asking: 0 };
    turns.set(speaker, { all: t.all + 1, asking: t.asking + Number(sentences.some((s) => /\?["”’]?$/.test(s.text))) });
  }
  const [asker] = [...turns].sort((a, b) => b[1].asking / b[1].all - a[1].asking / a[1].all);
  return asker && asker[1].asking >= ASKS * asker[1].all ? asker[0] : undefined;
}
