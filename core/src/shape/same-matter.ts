import { Fragment } from 'prosemirror-model';
import { plainText, sectionsOf } from '../post/sections.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { bagOf, cosine, rarityIn } from './bags.ts';
import type { Subjects } from './cut/subjects.ts';
import { isBody } from './standing/headings.ts';

/** A section or a paragraph, by its id. */
export type LikePlace = { id: string; section: string; heading: string; text: string };

/** Two places that say the same, the earlier first, and how alike they are. */
export type SameMatter = { kind: 'sections' | 'paragraphs'; one: LikePlace; other: LikePlace; like: number };

// How alike two places must be; paragraphs share words more easily (own choice, tried on the demo's pieces).
const ALIKE = { sections: 0.55, paragraphs: 0.5 };
const FEWEST_STEMS = { sections: 6, paragraphs: 5 };

/**
 * Sections, and paragraphs of different sections, that say the same: those whose stems, weighed by their rarity, lie
 * close together (cosine). Standing parts say again what others say, and are left out.
 * @returns the likest first
 */
export function sameMatter(doc: PostNode, subjects: Subjects | null): SameMatter[] {
  const weigh = rarityIn(subjects);
  const body = sectionsOf(doc).filter((s) => isBody(s));
  const sections = body.map((s): LikePlace => ({
    id: s.id,
    section: s.id,
    heading: s.heading,
    text: proseIn(doc, s.from, s.to).join('\n'),
  }));
  const paragraphs = body.flatMap((s) =>
    paragraphsIn(doc, s.from, s.to).map((node): LikePlace => ({
      id: node.attrs.id as string,
      section: s.id,
      heading: s.heading,
      text: plainText(node),
    })),
  );
  const alike = (kind: SameMatter['kind'], places: readonly LikePlace[]): SameMatter[] => {
    const bags = places.map(({ text }) => bagOf(text, weigh));
    return places.flatMap((one, i) =>
      places.slice(i + 1).flatMap((other, k) => {
        if (kind === 'paragraphs' && one.section === other.section) return [];
        const [a, b] = [bags[i]!, bags[i + 1 + k]!];
        if (Math.min(a.size, b.size) < FEWEST_STEMS[kind]) return [];
        const like = cosine(a, b);
        return like >= ALIKE[kind] ? [{ kind, one, other, like }] : [];
      }),
    );
  };
  const pairs = alike('paragraphs', paragraphs);
  const isIn = (whole: SameMatter, { one, other }: SameMatter) => whole.one.id === one.section && whole.other.id === other.section;
  // Where two sections are alike for one paragraph's sake, it is the paragraph that stands twice.
  const whole = alike('sections', sections).filter((w) => !pairs.some((pair) => isIn(w, pair) && pair.like > w.like));
  return [...whole, ...pairs.filter((pair) => !whole.some((w) => isIn(w, pair)))].sort((a, b) => b.like - a.like);
}

/**
 * The page with the two places made one: the later section's blocks stand below the earlier's own and its heading goes;
 * the later paragraph stands behind the earlier one.
 */
export function joined(doc: PostNode, { kind, one, other }: SameMatter): PostNode {
  if (kind === 'sections') {
    const sections = sectionsOf(doc);
    const [a, b] = [one.id, other.id].map((id) => sections.find((s) => s.id === id));
    if (!a || !b) return doc;
    const below = doc.content.cut(b.from + doc.nodeAt(b.from)!.nodeSize, b.to);
    return doc.copy(doc.content.cut(0, a.to).append(below).append(doc.content.cut(a.to, b.from)).append(doc.content.cut(b.to)));
  }
  const later = doc.children.find((block) => block.attrs.id === other.id);
  if (!later) return doc;
  const blocks = doc.children.flatMap((block) => (block === later ? [] : block.attrs.id === one.id ? [block, later] : [block]));
  return doc.copy(Fragment.from(blocks));
}

function paragraphsIn(doc: PostNode, from: number, to: number): PostNode[] {
  const found: PostNode[] = [];
  doc.nodesBetween(from, to, (node) => {
    if (node.type === schema.nodes.paragraph && !node.attrs.part) found.push(node);
    return node.type === schema.nodes.doc;
  });
  return found;
}

const proseIn = (doc: PostNode, from: number, to: number): string[] => paragraphsIn(doc, from, to).map((node) => plainText(node));
