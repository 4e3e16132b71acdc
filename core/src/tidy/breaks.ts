import { isTimed, type Passage, type Source } from '../gather/source.ts';
import { sentences } from '../language/sentences.ts';
import { words, wordCount } from '../language/words.ts';
import { passageAt, type Flow } from './flow.ts';
import type { Finder } from './finders.ts';

// A paragraph of speech: 2 to 6 sentences, about 50 to 110 words (common practice, no source).
const ENOUGH_WORDS = 50;
const FULL_WORDS = 75;
const MANY_WORDS = 130;
const LONG_PAUSE_MS = 1200;
const SHORT_PAUSE_MS = 700;
const OPENS_NEW_THOUGHT = /^(?:so|now|right|okay|ok|well|anyway|next|first|second|third|finally|let's|another|one more)\b/i;

/**
 * Sentences: a line break that a caption or a hard-wrapped file put inside a sentence becomes a space.
 * Those that stand where a paragraph ends are left to `paragraphs`.
 */
export const sentenceBreaks: Finder = ({ flow, source }) => {
  const ends = paragraphEnds(flow, source);
  return Array.from(flow.text.matchAll(/[ \t]*\n[ \t]*(?![ \t]*\n)/g))
    .filter((m) => flow.text[m.index - 1] !== '\n' && !ends.has(m.index))
    .map((m) => ({
      kind: 'sentences' as const,
      from: m.index,
      to: m.index + m[0].length,
      after: ' ',
      reason: /[.!?…]["'”’)]*$/.test(flow.text.slice(Math.max(0, m.index - 3), m.index))
        ? 'A line break after a sentence'
        : 'Cut in mid-sentence',
    }));
};

/**
 * Paragraphs: speech in cues gets paragraphs, at a change of speaker, a pause or a new thought; in writing, a
 * heading on a line of its own is kept apart from the text below it.
 */
export const paragraphBreaks: Finder = ({ flow, source }) =>
  Array.from(paragraphEnds(flow, source), ([from, reason]) => ({
    kind: 'paragraphs' as const,
    from,
    to: from + /^\s*/.exec(flow.text.slice(from))![0].length,
    after: '\n\n',
    reason,
  }));

const memo = new WeakMap<Flow, Map<number, string>>();

/** Where paragraphs end that no empty line ends: the offset of the white space there, and why. */
function paragraphEnds(flow: Flow, source: Source): Map<number, string> {
  let ends = memo.get(flow);
  if (!ends) {
    ends = isTimed(source) ? findEnds(flow, source.passages) : headingLines(flow);
    memo.set(flow, ends);
  }
  return ends;
}

// Words a line of running text may break after, and a heading never ends with.
const LEADS_ON =
  /\b(?:an?|the|of|to|in|on|at|by|for|from|with|and|or|but|as|that|which|who|is|are|was|were|be|th(?:is|ese|ose)|my|your|our|their|his|her|its)$/i;

// A short first line without an end mark, and a capital below it.
function headingLines(flow: Flow): Map<number, string> {
  const lines = flow.text.matchAll(/(?<=^|\n[ \t]*\n)[ \t]*(\p{Lu}[^\n]{0,60}[^\n\s.,;:!?…–-])(?=[ \t]*\n[ \t]*[\p{Lu}“"])/gu);
  return new Map(
    Array.from(lines)
      .filter((m) => wordCount(m[1]!) <= 8 && !LEADS_ON.test(m[1]!))
      .map((m) => [m.index + m[0].length, 'A heading on a line of its own']),
  );
}

function findEnds(flow: Flow, passages: readonly Passage[]): Map<number, string> {
  const ends = new Map<number, string>();
  let count = 0;
  const units = unitsOf(flow, passages);
  units.forEach((unit, i) => {
    const next = units[i + 1];
    count += wordCount(unit.text);
    if (!next) return;
    const here = passages[passageAt(flow, unit.to - 1)]!;
    const there = passages[passageAt(flow, next.from)]!;
    const pause = here === there ? 0 : (there.startMs ?? 0) - (here.endMs ?? there.startMs ?? 0);
    const reason =
      here.speaker !== there.speaker && there.speaker
        ? 'Another voice'
        : pause >= LONG_PAUSE_MS && count >= 12
          ? 'A long pause'
          : count >= MANY_WORDS
            ? 'Long enough for a paragraph'
            : (count >= ENOUGH_WORDS && pause >= SHORT_PAUSE_MS) || (count >= FULL_WORDS && OPENS_NEW_THOUGHT.test(next.text))
              ? 'A new thought'
              : null;
    if (!reason) return;
    ends.set(unit.to, reason);
    count = 0;
  });
  return ends;
}

/** What a paragraph is made of: sentences; where the words carry no full stops, the passages themselves. */
function unitsOf(flow: Flow, passages: readonly Passage[]) {
  // An empty line inside a cue is an accident, not the end of a sentence.
  const found = sentences(flow.text.replace(/\n\s*\n/g, (gap) => ' '.repeat(gap.length)));
  if (words(flow.text).length / Math.max(1, found.length) <= 60) return splitAtVoices(flow, passages, found);
  return passages.map((p, i) => ({ text: p.text, from: flow.starts[i]!, to: flow.starts[i]! + p.text.length }));
}

// A sentence that runs over a change of voice ends there, mark or no mark.
function splitAtVoices(flow: Flow, passages: readonly Passage[], found: ReturnType<typeof sentences>) {
  const turns = passages.flatMap((p, i) => (i && p.speaker && p.speaker !== passages[i - 1]!.speaker ? [i] : []));
  if (!turns.length) return found;
  return found.flatMap((s) => {
    const cuts = turns.map((i) => flow.starts[i]!).filter((at) => at > s.from && at < s.to);
    return [s.from, ...cuts].map((from, k, starts) => {
      const raw = flow.text.slice(from, starts[k + 1] ?? s.to);
      return { text: raw.trimEnd(), from, to: from + raw.trimEnd().length };
    });
  });
}
