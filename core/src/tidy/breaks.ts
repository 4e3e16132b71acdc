import { isTimed, type Passage } from '../gather/index.ts';
import { leadsOn } from '../language/leads-on.ts';
import { terms } from '../language/terms.ts';
import { wordCount } from '../language/words.ts';
import { blocksOf, passageAt, type Flow } from './flow.ts';
import type { Finder, Searched } from './finder.ts';
import { said, type TidiedSentence } from './tidied-sentences.ts';

// A paragraph of speech: 2 to 6 sentences, about 75 words (common practice, no source).
const MOST_SENTENCES = 6;
const FULL_WORDS = 75;
const MANY_WORDS = 130;
const LONG_PAUSE_MS = 1200;
const SHORT_PAUSE_MS = 700;
const OPENS_NEW_THOUGHT = /^(?:so|now|right|okay|ok|well|anyway|next|first|second|third|finally|let's|another|one more)\b/i;
// Writing that long in one block was never cut into paragraphs.
const UNCUT_WORDS = 180;

/**
 * Sentences: a line break that a caption or a hard-wrapped file put inside a sentence becomes a space.
 * Those that stand where a paragraph ends are left to `paragraphs`.
 */
export const sentenceBreaks: Finder = ({ flow }) =>
  Array.from(flow.text.matchAll(/[ \t]*\n[ \t]*(?![ \t]*\n)/g))
    .filter((m) => flow.text[m.index - 1] !== '\n')
    .map((m) => ({
      kind: 'sentences' as const,
      from: m.index,
      to: m.index + m[0].length,
      after: ' ',
      reason: /[.!?…]["'”’)]*$/.test(flow.text.slice(Math.max(0, m.index - 3), m.index))
        ? 'A line break after a sentence'
        : 'Cut in mid-sentence',
    }));

/**
 * Paragraphs: speech in cues gets paragraphs, at a change of speaker, a pause or a new thought, and so does writing
 * that stands in one block; in writing, a heading on a line of its own is kept apart from the text below it.
 */
export const paragraphBreaks: Finder = (material) => {
  const { flow, source } = material;
  const ends = isTimed(source) ? spokenEnds(material) : new Map([...headingLines(flow), ...uncutEnds(material)]);
  return Array.from(ends, ([from, reason]) => ({
    kind: 'paragraphs' as const,
    from,
    to: from + /^\s*/.exec(flow.text.slice(from))![0].length,
    after: '\n\n',
    reason,
  }));
};

// A short first line without an end mark, and a capital below it.
function headingLines(flow: Flow): Map<number, string> {
  const lines = flow.text.matchAll(/(?<=^|\n[ \t]*\n)[ \t]*(\p{Lu}[^\n]{0,60}[^\n\s.,;:!?…–-])(?=[ \t]*\n[ \t]*[\p{Lu}“"])/gu);
  return new Map(
    Array.from(lines)
      .filter((m) => wordCount(m[1]!) <= 8 && !leadsOn(m[1]!))
      .map((m) => [m.index + m[0].length, 'A heading on a line of its own']),
  );
}

type SpokenUnit = TidiedSentence & { terms: readonly string[] };

/** Where the paragraphs of speech end: the offset after their last letter, and why. */
function spokenEnds(material: Searched): Map<number, string> {
  const { flow, source } = material;
  const found = said(material);
  const areSentences = wordCount(flow.text) / Math.max(1, found.length) <= 60;
  const units = areSentences ? splitAtVoices(flow, source.passages, found) : passagesAsSaid(flow, source.passages);
  return endsOf(units, flow, source.passages, areSentences);
}

/** Where a long block of writing wants paragraphs. */
function uncutEnds(material: Searched): Map<number, string> {
  const { flow, source } = material;
  if (source.kind !== 'text') return new Map();
  const ends = new Map<number, string>();
  const all = said(material);
  for (const { from, to } of blocksOf(flow, source)) {
    if (wordCount(flow.text.slice(from, to)) < UNCUT_WORDS) continue;
    for (const [at, reason] of endsOf(
      all.filter((s) => s.from >= from && s.to <= to),
      flow,
      source.passages,
    ))
      ends.set(at, reason);
  }
  return ends;
}

/**
 * The best cut of sentences into paragraphs by dynamic programming: what speaks for an end after a sentence, less
 * what is wrong with the length of the paragraph it closes.
 */
function endsOf(sentences: readonly TidiedSentence[], flow: Flow, passages: readonly Passage[], areSentences = true): Map<number, string> {
  const units = sentences.map((s): SpokenUnit => ({ ...s, terms: terms(s.text) }));
  const n = units.length;
  const borders = units.map((_, i) => (i ? borderBefore(units, i, flow, passages) : { gain: 0, reason: '', forced: true }));
  const best = new Float64Array(n + 1).fill(-Infinity);
  const back = new Int32Array(n + 1);
  best[0] = 0;
  for (let j = 1; j <= n; j++) {
    let words = 0;
    for (let i = j - 1; i >= 0 && j - i <= MOST_UNITS; i--) {
      words += units[i]!.words;
      const score = best[i]! + (i ? borders[i]!.gain : 0) - misfit(areSentences ? j - i : 2, words);
      if (score > best[j]!) [best[j], back[j]] = [score, i];
      // No paragraph runs over a change of voice.
      if (borders[i]!.forced) break;
    }
  }
  const ends = new Map<number, string>();
  for (let j = back[n]!; j > 0; j = back[j]!) ends.set(units[j - 1]!.to, borders[j]!.reason || 'Long enough for a paragraph');
  return new Map([...ends].reverse());
}

function misfit(sentences: number, words: number): number {
  const length = ((words - FULL_WORDS) / FULL_WORDS) ** 2 * 1.5;
  const many = Math.max(0, sentences - MOST_SENTENCES) * 1.5 + Math.max(0, words - MANY_WORDS) / 25;
  return length + many + (sentences < 2 && words < FULL_WORDS ? 1 : 0);
}

function borderBefore(units: readonly SpokenUnit[], i: number, flow: Flow, passages: readonly Passage[]) {
  const unit = units[i]!;
  const here = passages[passageAt(flow, Math.max(0, units[i - 1]!.to - 1))]!;
  const there = passages[passageAt(flow, unit.from)]!;
  if (here.speaker !== there.speaker && there.speaker) return { gain: 0, reason: 'Another voice', forced: true };
  const pause = here === there ? 0 : (there.startMs ?? 0) - (here.endMs ?? there.startMs ?? 0);
  const opens = OPENS_NEW_THOUGHT.test(unit.text);
  const turn = 1 - likeness(units, i);
  const gain = (pause >= LONG_PAUSE_MS ? 3 : pause >= SHORT_PAUSE_MS ? 1.5 : 0) + (opens ? 1 : 0) + turn;
  const reason =
    pause >= LONG_PAUSE_MS ? 'A long pause' : opens || pause >= SHORT_PAUSE_MS ? 'A new thought' : turn > 0.8 ? 'The subject turns' : '';
  return { gain, reason, forced: false };
}

const AROUND = 3;
// No paragraph is looked at that has more units.
const MOST_UNITS = 24;

/** How alike the few sentences before and after a border are, from 0 to 1 (cosine of their stems, Hearst 1997). */
function likeness(units: readonly SpokenUnit[], i: number): number {
  const [a, b] = [counted(units, i - AROUND, i), counted(units, i, i + AROUND)];
  let dot = 0;
  for (const [term, count] of a) dot += count * (b.get(term) ?? 0);
  return dot ? dot / (norm(a) * norm(b)) : 0;
}

function counted(units: readonly SpokenUnit[], from: number, to: number): Map<string, number> {
  const counts = new Map<string, number>();
  for (let i = Math.max(0, from); i < Math.min(units.length, to); i++)
    for (const term of units[i]!.terms) counts.set(term, (counts.get(term) ?? 0) + 1);
  return counts;
}

function norm(counts: ReadonlyMap<string, number>): number {
  let sum = 0;
  for (const count of counts.values()) sum += count * count;
  return Math.sqrt(sum);
}

// Where words carry no marks and none could be put in, the passages themselves are the units.
const passagesAsSaid = (flow: Flow, passages: readonly Passage[]): TidiedSentence[] =>
  passages.map((p, i) => ({
    text: p.text,
    from: flow.starts[i]!,
    to: flow.starts[i]! + p.text.length,
    words: wordCount(p.text),
    opensBlock: i === 0,
  }));

// A sentence that runs over a change of voice ends there, mark or no mark.
function splitAtVoices(flow: Flow, passages: readonly Passage[], found: readonly TidiedSentence[]): readonly TidiedSentence[] {
  const turns = passages.flatMap((p, i) => (i && p.speaker && p.speaker !== passages[i - 1]!.speaker ? [i] : []));
  if (!turns.length) return found;
  return found.flatMap((s) => {
    const cuts = turns.map((i) => flow.starts[i]!).filter((at) => at > s.from && at < s.to);
    if (!cuts.length) return [s];
    return [s.from, ...cuts].map((from, k, starts): TidiedSentence => {
      const text = flow.text.slice(from, starts[k + 1] ?? s.to).trimEnd();
      return { text, from, to: from + text.length, words: wordCount(text), opensBlock: false };
    });
  });
}
