import { schema, type PostNode } from '../post/schema.ts';
import { incomingFrom, planDraft } from '../shape/index.ts';

/** A headed part of an answer: its heading, what stands below it, and the section of the page it belongs to, if one is found. */
export type HeadedPart = { heading: string; home: string | null; doc: PostNode };

/**
 * An answer about the whole post in its headed parts, each matched with a section of the page by its heading, or by what it
 * says. Deeper headings stay below theirs.
 */
export function headedParts(answer: PostNode, page: PostNode): HeadedPart[] {
  const incoming = incomingFrom(answer);
  const highest = Math.min(...incoming.map((part) => part.level));
  const parts: { heading: string; blocks: PostNode[] }[] = [];
  for (const { heading, level, blocks } of incoming) {
    const open = parts.at(-1);
    if (open && heading && level > highest) open.blocks.push(schema.node('heading', { level }, schema.text(heading)), ...blocks);
    else parts.push({ heading, blocks: [...blocks] });
  }
  const plan = planDraft(
    page,
    parts.map(({ heading, blocks }) => ({ level: 2, heading, blocks })),
    null,
  );
  return parts
    .map(({ heading, blocks }, n): HeadedPart => {
      const { match } = plan[n]!;
      const home = heading ? (match?.home ?? null) : 'lead';
      return { heading, home, doc: schema.node('doc', null, blocks.length ? blocks : [schema.node('paragraph')]) };
    })
    .filter(({ heading, doc }) => heading || doc.textContent.trim());
}
