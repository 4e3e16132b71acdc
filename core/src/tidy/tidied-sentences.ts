import { isTimed } from '../gather/index.ts';
import { sentences } from '../language/sentences.ts';
import { wordCount } from '../language/words.ts';
import { applyEdits, isMark, runAt, sourceOffset } from './edit.ts';
import type { Searched } from './finder.ts';

/** A sentence as it will read when the repairs found so far are taken, and the stretch of the flow it stands in. */
export type TidiedSentence = { text: string; from: number; to: number; words: number; opensBlock: boolean };

const memo = new WeakMap<object, { upTo: number; said: TidiedSentence[] }>();

/** The sentences of a source with the repairs found so far. */
export function said({ flow, found, source }: Pick<Searched, 'flow' | 'found' | 'source'>): TidiedSentence[] {
  const known = memo.get(flow);
  if (known && known.upTo === found.length) return known.said;
  const tidied = applyEdits(
    flow,
    found.filter((e) => !isMark(e)),
  );
  // An empty line inside a cue is an accident of its file; only one that was put in ends anything.
  const text = isTimed(source)
    ? tidied.runs.map((run) => withoutGaps(tidied.text.slice(run.at, run.at + run.length), run.made)).join('')
    : tidied.text;
  let end = 0;
  const all = sentences(text).map((s): TidiedSentence => {
    const from = sourceOffset(tidied, s.from);
    const to = Math.max(from, sourceOffset(tidied, Math.max(s.from, s.to - 1)) + (runAt(tidied, s.to - 1)?.made ? 0 : 1));
    const opensBlock = /\n\s*\n/.test(text.slice(end, s.from)) || end === 0;
    end = s.to;
    return { text: s.text, from, to, words: wordCount(s.text), opensBlock };
  });
  memo.set(flow, { upTo: found.length, said: all });
  return all;
}

const withoutGaps = (text: string, made: boolean) => (made ? text : text.replace(/\n\s*\n/g, (gap) => ' '.repeat(gap.length)));
