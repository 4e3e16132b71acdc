import type { Passage } from './source.ts';

// One to three capitalised words and a colon at the start of a line, or `>>` as captioners write a change of voice.
const NAME = /^\s*(?:>>\s*|-\s+)?((?:\p{Lu}[\p{L}\p{N}.'’-]*)(?:\s\p{Lu}?[\p{L}\p{N}.'’-]*){0,2})\s?:\s+(?=\S)/u;

// Words that open a sentence with a colon but are nobody's name.
const NOT_A_NAME =
  /^(?:note|notes|tip|tips|warning|question|answer|example|remember|so|now|first|second|third|step|steps|and|but|also|important|http|https|my|our|your|the|this|that|his|her|their|its|a|an)\b/i;
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
  const [first, ...rest] = name.split(/\s+/);
  return !NOT_A_NAME.test(first!) && rest.every((word) => /^\p{Lu}/u.test(word) || PARTICLE.test(word));
}

/**
 * Passages with the speakers that are some: a name that comes again, one behind the sign of a change of voice, or any where
 * the form is that of a conversation. What was taken for a name otherwise is part of the words again: nothing is lost.
 */
export function settled(passages: readonly (Passage & SaidBy)[]): Passage[] {
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
