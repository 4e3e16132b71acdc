import { wordCount } from '../language/words.ts';
import { postFromMarkdown } from '../post/markdown.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';
import { LONGEST_POINT, type Incoming } from './incoming.ts';

const { nodes } = schema;

const HIGHEST = 2;
const DEEPEST = 4;

/** A text as headed parts: Markdown with headings or lists, or lines that are set in under one another. */
export function incomingFromText(text: string): Incoming[] {
  return setIn(text) ?? incomingFrom(postFromMarkdown(text));
}

/**
 * A document as headed parts. Without headings, its lists are an outline: each item a heading, what stands below it
 * set in is one level deeper.
 */
export function incomingFrom(doc: PostNode): Incoming[] {
  const blocks = doc.children.filter((block) => block.type !== nodes.paragraph || block.textContent.trim());
  if (blocks.some((block) => block.type === nodes.heading)) return byHeadings(blocks);
  const lists = blocks.filter(isList);
  const rest = blocks.filter((block) => !isList(block));
  const isOutline = lists.length > 0 && lists.every(isShort) && rest.every((block) => wordCount(plainText(block)) <= LONGEST_POINT);
  if (isOutline) return lists.flatMap((list) => byItems(list, HIGHEST));
  return blocks.length ? [{ level: HIGHEST, heading: '', blocks }] : [];
}

function byHeadings(blocks: readonly PostNode[]): Incoming[] {
  const found: Incoming[] = [{ level: HIGHEST, heading: '', blocks: [] }];
  const highest = Math.min(...blocks.filter((b) => b.type === nodes.heading).map((b) => b.attrs.level as number));
  for (const block of blocks) {
    if (block.type !== nodes.heading) found.at(-1)!.blocks.push(block);
    else found.push({ level: levelOf((block.attrs.level as number) - highest), heading: oneLine(plainText(block)), blocks: [] });
  }
  return found.filter((part) => part.heading || part.blocks.length);
}

const levelOf = (depth: number) => Math.min(DEEPEST, HIGHEST + depth);
const oneLine = (text: string) => text.replace(/\s+/g, ' ').trim();
const isList = (block: PostNode) => block.type === nodes.bulletList || block.type === nodes.orderedList;

function isShort(list: PostNode): boolean {
  let short = true;
  list.descendants((node) => {
    if (node.isTextblock && wordCount(plainText(node)) > LONGEST_POINT) short = false;
    return short;
  });
  return short;
}

function byItems(list: PostNode, level: number): Incoming[] {
  return list.children.flatMap((item): Incoming[] => {
    const [first, ...rest] = item.children;
    const own: Incoming = { level, heading: oneLine(plainText(first!)), blocks: rest.filter((b) => !isList(b)) };
    return [own, ...rest.filter(isList).flatMap((inner) => byItems(inner, Math.min(DEEPEST, level + 1)))];
  });
}

/** Lines set in under one another, without signs of Markdown: null when the text is not made so. */
function setIn(text: string): Incoming[] | null {
  const lines = text.split(/\r?\n/).filter((line) => line.trim());
  const isPoint = (line: string) => !/^\s*(?:[#>|*+-]|\d+[.)])/.test(line) && wordCount(line) <= LONGEST_POINT && !/[.!]\s*$/.test(line);
  if (lines.length < 2 || !lines.every(isPoint)) return null;
  const depthOf = (line: string) => /^\s*/.exec(line)![0].replaceAll('\t', '    ').length;
  // Each new depth is a level below the last one that was less deep.
  const depths: number[] = [];
  return lines.map((line) => {
    const depth = depthOf(line);
    while (depths.length && depths.at(-1)! >= depth) depths.pop();
    depths.push(depth);
    return { level: levelOf(depths.length - 1), heading: oneLine(line), blocks: [] };
  });
}
