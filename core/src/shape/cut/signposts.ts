/** How speakers say that something else comes now (own list; common practice, no source). */
const SIGNPOSTS: readonly [pattern: RegExp, nats: number][] = [
  [
    /\b(?:let's|let us|we'll|i'll|i want to|i'd like to) (?:now )?(?:move on|go on|turn|start with|begin with|talk about|look at|come to)\b/i,
    4,
  ],
  [
    /\b(?:moving on|that brings (?:me|us) to|which brings (?:me|us) to|the next (?:thing|question|part|step|point|one)|special cases)\b/i,
    4,
  ],
  [/\bthe (?:first|second|third|fourth|fifth|last|final|other) (?:thing|point|question|part|step|rule|mistake|reason)\b/i, 3],
  [/^(?:so |and |okay |right )?(?:now|next|finally|lastly|first of all|secondly|thirdly)\b/i, 2],
];

/** How much a sentence by its wording speaks for beginning a section, in nats. */
export function signpost(sentence: string): number {
  const opening = sentence.slice(0, 90).replaceAll('’', "'").replaceAll(',', '');
  return SIGNPOSTS.find(([pattern]) => pattern.test(opening))?.[1] ?? 0;
}
