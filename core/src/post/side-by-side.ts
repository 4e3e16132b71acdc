import { diffWordsWithSpace } from 'diff';

/** A stretch of one side: words that both have, or words of its own. A long common stretch is cut short. */
export type SideStretch = { text: string; own: boolean };

// How many words around a difference are shown.
const AROUND = 6;

/** Two texts as they are shown side by side: what differs is marked, long stretches alike are cut to a few words. */
export function sideBySide(mine: string, theirs: string): { mine: SideStretch[]; theirs: SideStretch[] } {
  const parts = diffWordsWithSpace(mine, theirs);
  const side = (isOther: (part: (typeof parts)[number]) => boolean) =>
    parts.flatMap((part, i): SideStretch[] => {
      if (isOther(part)) return [];
      const own = part.added || part.removed;
      return [{ text: own ? part.value : shortened(part.value, i === 0, i === parts.length - 1), own }];
    });
  return { mine: side((part) => part.added), theirs: side((part) => part.removed) };
}

/** Words alike: the last few before a difference and the first few after one. */
function shortened(text: string, isFirst: boolean, isLast: boolean): string {
  const words = text.match(/\s*\S+\s*|\s+/g) ?? [];
  const most = (isFirst || isLast ? 1 : 2) * AROUND + 1;
  if (words.length <= most) return text;
  const before = isFirst ? '' : words.slice(0, AROUND).join('').trimEnd();
  const after = isLast ? '' : words.slice(-AROUND).join('').trimStart();
  return `${before}${before && ' '}…${after && ' '}${after}`;
}
