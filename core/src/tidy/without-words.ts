// Words that open a clause of their own: a comma before them stays.
const OPENS_CLAUSE =
  /^(?:and|but|so|or|because|it|it's|that|that's|we|i|you|they|he|she|there|this|which|who|if|when|while|then|can|do|does|how|what|where|why|is|are)\b/i;

// "When it is dry, um, take the brush": the comma closes the first clause.
const HANGS =
  /(?:^|[.!?…,;:]["'”’)]*\s+|\n)(?:(?:and|but|so|then|now) )?(?:if|when|whenever|while|once|because|since|as|after|before|until|unless|although|though)\b[^.!?,;:\n]*,\s*$/i;

/**
 * The edit that takes the words [from, to) out of a text and leaves it whole: the comma that belonged to them
 * and one space go too, and a capital they carried passes to the next word.
 */
export function withoutWords(text: string, from: number, to: number): { from: number; to: number; after: string } {
  const opens = /(?:^|[.!?…]["'”’)]*\s+|\n\n)$/.test(text.slice(Math.max(0, from - 8), from));
  const comma = /^\s*[,…]+|^\s*\.{3}/.exec(text.slice(to, to + 4));
  const mark = /^\s*[.!?]/.exec(text.slice(to, to + 4));
  if (comma) to += comma[0].length;
  else if (mark && !opens) {
    // The words end a sentence: the comma before them goes, the end mark moves up.
    const before = /,?[ \t\n]*$/.exec(text.slice(Math.max(0, from - 4), from))![0].length;
    return { from: from - before, to: to + mark[0].length, after: mark[0].trim() };
  } else if (mark) to += mark[0].length;
  const space = /^\s+/.exec(text.slice(to));
  if (!space) {
    const before = /[ \t]+$/.exec(text.slice(0, from));
    return { from: from - (before?.[0].length ?? 0), to, after: '' };
  }
  // A blank line after the words is a paragraph's end and stays.
  if (/\n\s*\n/.test(space[0])) return { from, to, after: '' };
  to += space[0].length;
  // A comma on both sides was there for the words alone, unless a clause follows or ends.
  if (comma && !opens && !OPENS_CLAUSE.test(text.slice(to, to + 12)) && !HANGS.test(text.slice(Math.max(0, from - 120), from))) {
    const before = /,[ \t\n]*$/.exec(text.slice(Math.max(0, from - 3), from));
    if (before) return { from: from - before[0].length, to, after: ' ' };
  }
  const next = text[to] ?? '';
  if (opens && next && next !== next.toUpperCase()) return { from, to: to + 1, after: next.toUpperCase() };
  return { from, to, after: '' };
}
