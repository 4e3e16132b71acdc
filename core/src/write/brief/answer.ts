import { Fragment } from 'prosemirror-model';
import { postFromMarkdown } from '../../post/markdown.ts';
import { type Mark, type Origin, type PostNode, schema } from '../../post/schema.ts';
import { hasOrigins } from '../../post/origins.ts';
import { plainText } from '../../post/sections.ts';

/** What a drafter answered, as a page: every block tied to the passages it names. */
export type Answer = {
  doc: PostNode;
  /** Passages it names that were not given. */
  unknown: string[];
  /** What it says is missing in the material, a sentence each. */
  missing: string[];
};

const MARK = /\s*\[((?:p\d+|none)(?:\s*[,;]\s*(?:p\d+|none))*)\]/gi;
const ONLY_MARK = /^\s*\[(?:p\d+|none)(?:\s*[,;]\s*(?:p\d+|none))*\]\s*\.?\s*$/i;
const MISSING = /^missing:\s*/i;

/**
 * Reads what a drafter answered, whoever it was: Markdown, perhaps inside a fence, with the numbers of passages at the end of
 * its blocks. Never throws: any text is an answer.
 * @param passages where each number leads
 */
export function readAnswer(text: string, passages: ReadonlyMap<string, Origin>): Answer {
  const unknown = new Set<string>();
  const missing: string[] = [];
  const blocks: PostNode[] = [];
  for (const block of postFromMarkdown(unfenced(text)).children) {
    const said = plainText(block).trim();
    if (block.isTextblock && MISSING.test(said)) {
      missing.push(said.replace(MISSING, ''));
      continue;
    }
    // A line of numbers alone belongs to what stands before it.
    const before = blocks.at(-1);
    if (before && block.isTextblock && ONLY_MARK.test(said)) {
      blocks[blocks.length - 1] = tied(before, originsIn(said, passages, unknown));
      continue;
    }
    blocks.push(withOrigins(block, passages, unknown));
  }
  const doc = schema.node('doc', null, blocks.length ? blocks : [schema.node('paragraph')]);
  return { doc, unknown: [...unknown], missing };
}

/** The text inside a fence, when all of it stands in one. */
function unfenced(text: string): string {
  const whole = /^\s*(`{3,}|~{3,})\w*[ \t]*\n([\s\S]*?)\n?\1?\s*$/.exec(text);
  return whole ? whole[2]! : text;
}

function originsIn(text: string, passages: ReadonlyMap<string, Origin>, unknown: Set<string>): Origin[] {
  const found = new Map<string, Origin>();
  for (const [, list] of text.matchAll(MARK))
    for (const id of list!.toLowerCase().split(/\s*[,;]\s*/)) {
      const origin = passages.get(id);
      if (origin) found.set(id, origin);
      else if (id !== 'none') unknown.add(id);
    }
  return [...found.values()];
}

/** A block without the numbers in it, tied to where they lead. */
function withOrigins(block: PostNode, passages: ReadonlyMap<string, Origin>, unknown: Set<string>): PostNode {
  if (!block.isTextblock) {
    const children: PostNode[] = [];
    block.forEach((child) => void children.push(child.isText || child.isLeaf ? child : withOrigins(child, passages, unknown)));
    return block.copy(Fragment.from(children));
  }
  const origins = originsIn(plainText(block), passages, unknown);
  const content: PostNode[] = [];
  block.forEach((child) => {
    if (!child.isText) return void content.push(child);
    const words = child.text!.replace(MARK, '');
    if (words) content.push(schema.text(words, child.marks as Mark[]));
  });
  const last = content.at(-1);
  if (last?.isText) {
    const trimmed = last.text!.trimEnd();
    content.splice(-1, 1, ...(trimmed ? [schema.text(trimmed, last.marks as Mark[])] : []));
  }
  const attrs = hasOrigins(block) && origins.length ? { ...block.attrs, origins } : block.attrs;
  return block.type.create(attrs, content, block.marks);
}

/** A block, and all words inside it that are tied to nothing yet, tied to passages. */
function tied(block: PostNode, origins: readonly Origin[]): PostNode {
  if (hasOrigins(block))
    return (block.attrs.origins as Origin[]).length ? block : block.type.create({ ...block.attrs, origins }, block.content, block.marks);
  if (block.isTextblock || block.isLeaf) return block;
  const children: PostNode[] = [];
  block.forEach((child) => void children.push(tied(child, origins)));
  return block.copy(Fragment.from(children));
}
