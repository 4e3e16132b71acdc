// One to three capitalised words and a colon at the start of a line, or `>>` as captioners write a change of voice.
const NAME = /^\s*(?:>>\s*|-\s+)?((?:\p{Lu}[\p{L}\p{N}.'’-]*)(?:\s\p{Lu}?[\p{L}\p{N}.'’-]*){0,2})\s?:\s+(?=\S)/u;

// Words that open a sentence with a colon but are nobody's name.
const NOT_A_NAME =
  /^(?:note|notes|tip|tips|warning|question|answer|example|remember|so|now|first|second|third|step|steps|and|but|also|important|http|https)\b/i;

/** Splits `Name: words` into the speaker and the words; other text comes back as it is, without `>>`. */
export function splitSpeaker(text: string): { text: string; speaker?: string } {
  const name = NAME.exec(text);
  if (name && !NOT_A_NAME.test(name[1]!)) return { text: text.slice(name[0].length), speaker: name[1]! };
  return { text: text.replace(/^\s*>>\s*/, '') };
}
