import type { ElementContent } from 'hast';
import { toString } from 'hast-util-to-string';
import { wordCount } from '../language/words.ts';
import { isElement, namesOf, rewrite, styleOf, type Element, type Parent, type Root } from './hast.ts';
import { ownLines, saysWhoWrote, type MailLine } from './mail-thread.ts';

// Elements that begin and end a line of words.
const BLOCK =
  /^(?:address|article|blockquote|body|center|dd|div|dl|dt|figure|footer|form|h[1-6]|header|hr|li|main|ol|p|pre|section|table|td|th|tr|ul)$/;
// How programs mark what a mail answers (names they write into their pages).
const QUOTED = /(?:^|[\s_-])(?:\w+_quoted?|\w+_extra|\w+-cite-prefix|reply_?quote|olk_src_body_section)(?:$|[\s_-])/i;
const SIGNED = /(?:^|[\s_-])signature(?:$|[\s_-])/i;
const MOST_SIGNED = 80;

type Line = MailLine & { parts: ElementContent[] };

/** Takes out of the page of a mail what is not its own: see `ownLines`. Returns the words that went, as lines. */
export function keepOwn(tree: Root): string[] {
  rewrite(tree, (node) => (SIGNED.test(namesOf(node)) && wordCount(toString(node)) <= MOST_SIGNED ? [] : [node]));
  const lines = linesOf(tree);
  const own = ownLines(lines);
  const out = new Set(lines.flatMap((line, i) => (own[i] ? [] : line.parts)));
  prune(tree, out);
  return lines.flatMap((line, i) => (own[i] || !line.text.trim() ? [] : [line.text]));
}

/** The words of a page line by line, as a reader sees them, and how deep each is quoted. */
function linesOf(tree: Root): Line[] {
  const lines: Line[] = [{ text: '', depth: 0, parts: [] }];
  const end = (depth: number) => {
    if (lines.at(-1)!.parts.length) lines.push({ text: '', depth, parts: [] });
    else lines.at(-1)!.depth = depth;
  };
  const walk = (parent: Parent, depth: number) => {
    for (const child of parent.children as ElementContent[]) {
      const line = lines.at(-1)!;
      if (child.type === 'text') {
        if (!child.value.trim() && !line.parts.length) continue;
        line.text += child.value.replace(/\s+/g, ' ');
        line.parts.push(child);
      } else if (isElement(child)) {
        const { tagName } = child;
        if (/^(?:head|style|script|title)$/.test(tagName)) continue;
        if (tagName === 'br') {
          line.parts.push(child);
          end(depth);
        } else if (tagName === 'img') line.parts.push(child);
        else if (tagName === 'hr') {
          end(depth);
          lines.at(-1)!.text = '-----';
          lines.at(-1)!.parts.push(child);
          end(depth);
        } else {
          const above = lines.findLast(({ text }) => text.trim())?.text ?? '';
          const inner = depth + Number(isQuotation(child, above));
          const isOwnLine = BLOCK.test(tagName);
          if (isOwnLine) end(inner);
          walk(child, inner);
          if (isOwnLine) end(depth);
        }
      }
    }
  };
  walk(tree, 0);
  return lines;
}

/** Whether an element sets off another mail: marked so, drawn with a line at its side, or below the words that say who wrote it. */
const isQuotation = (node: Element, above: string): boolean =>
  QUOTED.test(namesOf(node)) ||
  (node.tagName === 'blockquote' && (node.properties.type === 'cite' || /border-left/i.test(styleOf(node)) || saysWhoWrote(above)));

function prune(parent: Parent, out: ReadonlySet<ElementContent>): boolean {
  const before = parent.children.length;
  parent.children = (parent.children as ElementContent[]).filter((child) => {
    if (out.has(child)) return false;
    return !(isElement(child) && prune(child, out) && !child.children.length);
  });
  return parent.children.length < before;
}
