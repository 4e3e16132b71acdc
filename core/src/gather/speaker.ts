import { literalPattern } from '../language/literal-pattern.ts';
import type { Passage } from './source.ts';

// One to three capitalised words and a colon at the start of a line, or `>>` as captioners write a change of voice.
const NAME = /^\s*(?:>>\s*|-\s+)?((?:\p{Lu}[\p{L}\p{N}.'’-]*)(?:\s\p{Lu}?[\p{L}\p{N}.'’-]*){0,2})\s?:\s+(?=\S)/u;

// Words that open a sentence with a colon but are nobody's name.
const NOT_A_NAME =
  /^(?:note|notes|tip|tips|warning|question|answer|example|pros?|cons?|before|after|problem|solution|cause|result|why|how|what|when|where|who|tools?|materials?|parts?|costs?|time|size|remember|so|now|first|second|third|step|steps|and|but|also|important|http|https|my|our|your|the|this|that|his|her|their|its|a|an)\b/i;
const ABBREVIATED = /^(?:Mrs?|Ms|Dr|Prof|St|\p{Lu})\.$/u;
// Small words inside a name.
const PARTICLE = /^(?:van|von|der|den|de|di|da|del|la|le|el|al|bin|of|and|\d+)$/;
// So many of a text's passages open with a name, and one of them again, where its form is that of a conversation.
const CONVERSATION = 0.5;

/** Words that may open with the name of who says them; `taken` is what stood before the words. */
export type SaidBy = { text: string; speaker?: string; taken?: string };

/**
 * Splits `Name: words` into the speaker and the words; other text comes back as it is, without `>>`. Whether it is a name is
 * known only beside the other passages (`settled`).
 */
export function splitSpeaker(text: string): SaidBy {
  const name = NAME.exec(text);
  if (name && mayBeName(name[1]!)) return { text: text.slice(name[0].length), speaker: name[1]!, taken: name[0] };
  return { text: text.replace(/^\s*>>\s*/, '') };
}

function mayBeName(name: string): boolean {
  const all = name.split(/\s+/);
  const [first, ...rest] = all;
  // "Saturn. Catriona:" is the end of a sentence, and a name.
  if (all.slice(0, -1).some((word) => word.endsWith('.') && !ABBREVIATED.test(word))) return false;
  return !NOT_A_NAME.test(first!) && rest.every((word) => /^\p{Lu}/u.test(word) || PARTICLE.test(word));
}

/**
 * Passages with the speakers that are some: a name that comes again, one behind the sign of a change of voice, or any where
 * the form is that of a conversation. What was taken for a name otherwise is part of the words again: nothing is lost.
 */
export function settled(read: readonly (Passage & SaidBy)[]): Passage[] {
  const passages = voicesApart(read);
  const times = new Map<string, number>();
  for (const { speaker } of passages) if (speaker) times.set(speaker, (times.get(speaker) ?? 0) + 1);
  const named = passages.filter((p) => p.taken).length;
  const comesAgain = (name: string) => times.get(name)! > 1;
  // Where every stretch of a recording opens with one, they are who speaks.
  const allSpoken = passages.every((p) => p.taken && p.startMs !== undefined);
  const isConversation = named >= CONVERSATION * passages.length && (allSpoken || [...times.keys()].some(comesAgain));
  return passages.map(({ taken, speaker, text, ...rest }) => {
    if (!taken || !speaker || isConversation || comesAgain(speaker) || /^\s*>>/.test(taken))
      return { text, ...rest, ...(speaker ? { speaker } : {}) };
    return { text: taken.trimStart() + text, ...rest };
  });
}

// A name and a colon where a sentence may begin.
const NAME_INSIDE = /(?<=^|[.?!…]["”’')]*\s)((?:(?:Mrs?|Ms|Dr|Prof|St|\p{Lu})\.\s|\p{Lu}[\p{L}'’-]*\s)?\p{Lu}[\p{L}'’-]*):(?:\s|$)/gu;
// So often two names have to stand there before they are those of a conversation.
const FEWEST_TURNS = 4;
const MOST_VOICES = 40;

/**
 * Captions cut by length, and talk pasted in one, have names in the midst of their lines: each voice becomes a passage of its
 * own, and lines without a name go on with the last. Passages whose voices are told apart otherwise stay as they are, and those
 * without times do where not each of them opens with a name: prose has colons too.
 */
function voicesApart(passages: readonly (Passage & SaidBy)[]): readonly (Passage & SaidBy)[] {
  if (passages.some(({ taken, speaker, startMs }) => (taken ? /^\s*>>/.test(taken) : speaker || startMs === undefined))) return passages;
  const clear = passages.flatMap((p) => [
    ...(p.speaker ? [p.speaker] : []),
    ...Array.from(p.text.matchAll(NAME_INSIDE), (m) => m[1]!).filter(mayBeName),
  ]);
  if (!clear.length || new Set(clear).size > MOST_VOICES) return passages;
  // Who is cut short leaves no mark before the next name.
  const all = new RegExp(anyOf([...new Set(clear)]), 'gu');
  const turns = passages.flatMap((p) => [...(p.speaker ? [p.speaker] : []), ...Array.from(p.text.matchAll(all), (m) => m[1]!)]);
  const names = [...new Set(turns)].filter((name) => turns.indexOf(name) !== turns.lastIndexOf(name));
  if (names.length < 2 || turns.length < FEWEST_TURNS) return passages;
  const inside = new RegExp(anyOf(names), 'u');
  if (!passages.some(({ text }) => inside.test(text))) return passages;
  let last: string | undefined;
  return passages.flatMap((p) =>
    partsOf(p, inside).flatMap((part) => {
      last = part.speaker ?? last;
      // Where a name ends a line, its words stand in the next.
      return part.text ? [last ? { ...part, speaker: last } : part] : [];
    }),
  );
}

const anyOf = (names: readonly string[]): string => String.raw`(?<![\p{L}\p{N}])(${names.map(literalPattern).join('|')}):(?:\s+|$)`;

/** A passage cut where one of some names stands, each part with as much of its time as it has letters, and the times of its words. */
function partsOf(passage: Passage & SaidBy, inside: RegExp): (Passage & SaidBy)[] {
  const found = inside.exec(passage.text);
  if (!found) return [passage];
  const before = passage.text.slice(0, found.index).trim();
  const text = passage.text.slice(found.index + found[0].length);
  const { startMs, endMs, wordsMs, after, ...kept } = passage;
  const own = { ...kept, text, speaker: found[1]!, taken: found[0], ...(after === undefined ? {} : { after }) };
  if (!before) return partsOf({ ...passage, ...own }, inside);
  if (startMs === undefined) return [{ ...kept, text: before }, ...partsOf(own, inside)];
  const at = endMs === undefined ? startMs : startMs + Math.round(((endMs - startMs) * before.length) / (before.length + text.length));
  const words = before.split(/\s+/).length;
  const first = { ...kept, text: before, startMs, endMs: at, ...(wordsMs ? { wordsMs: wordsMs.slice(0, 2 * words) } : {}) };
  // The name itself was heard as no word of theirs.
  const rest = wordsMs ? { wordsMs: wordsMs.slice(2 * (words + found[1]!.split(' ').length)) } : {};
  return [first, ...partsOf({ ...own, startMs: at, ...(endMs === undefined ? {} : { endMs }), ...rest }, inside)];
}
