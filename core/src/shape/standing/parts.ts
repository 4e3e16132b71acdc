import { Fragment } from 'prosemirror-model';
import { isSafeAddress } from '../../post/address.ts';
import { sectionsOf } from '../../post/sections.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import type { Subjects } from '../cut/subjects.ts';
import { closingQuestion, nextStep, signOff } from './closing.ts';
import { STANDING_HEADINGS } from './headings.ts';
import { keyPoints } from './key-points.ts';
import { conclusion, introduction } from './opening.ts';
import { questionsAndAnswers } from './questions.ts';
import { saidSections, type SaidSection } from './said-on-page.ts';

/** What a standing part is made of besides the page: what is known of words, where a next step leads, how the speaker took leave. */
export type Given = { subjects: Subjects | null; step?: { words: string; address: string }; farewell?: string };

type Made = (sections: readonly SaidSection[], given: Given) => PostNode[];
/** Where a part goes: instead of the opening words, before the first headed section or the last, or at the end. */
type PartPlace = 'opening' | 'first' | 'last' | 'end';
type Part = { label: string; heading?: string; place: PartPlace; make: Made };

/** Parts a post often has besides its sections, made of what stands on the page, in the order they stand in. */
export const STANDING_PARTS = {
  introduction: { label: 'Introduction', place: 'opening', make: (said, { subjects }) => introduction(said, subjects) },
  keyPoints: {
    label: 'Key points',
    heading: STANDING_HEADINGS.keyPoints,
    place: 'first',
    make: (said, { subjects }) => keyPoints(said, subjects),
  },
  questions: {
    label: 'Questions and answers',
    heading: STANDING_HEADINGS.questions,
    place: 'last',
    make: (said) => questionsAndAnswers(said),
  },
  conclusion: {
    label: 'Conclusion',
    place: 'end',
    heading: STANDING_HEADINGS.conclusion,
    make: (said, { subjects }) => conclusion(said, subjects),
  },
  closingQuestion: { label: 'Closing question', place: 'end', make: (said, { subjects }) => closingQuestion(said, subjects) },
  nextStep: {
    label: 'Next step',
    heading: STANDING_HEADINGS.nextStep,
    place: 'end',
    make: (_, { step }) => (step && isSafeAddress(step.address) ? nextStep(step.words, step.address) : []),
  },
  signOff: { label: 'Sign-off', place: 'end', make: (_, { farewell = '' }) => signOff(farewell) },
} as const satisfies Record<string, Part>;
export type StandingPart = keyof typeof STANDING_PARTS;

const ORDER = Object.keys(STANDING_PARTS);
// Sections made of the page itself: they say nothing a part could be made of.
const MADE = new Set<string>([STANDING_HEADINGS.keyPoints, STANDING_HEADINGS.questions, STANDING_HEADINGS.nextStep]);

/**
 * A post with a standing part. One that is there already is made anew in its place. Null when the page says nothing it
 * could be made of. New blocks have no ids yet, and are marked as this part.
 */
export function withStandingPart(doc: PostNode, name: StandingPart, given: Given): PostNode | null {
  const part: Part = STANDING_PARTS[name];
  const isLoose = part.heading === undefined || name === 'conclusion';
  // A loose part made before goes; an introduction is shortened further.
  const blocks = doc.children.filter((block) => !isLoose || name === 'introduction' || block.attrs.part !== name || isHeading(block));
  const rest = doc.copy(Fragment.from(blocks.length ? blocks : [schema.node('paragraph')]));
  const made = part.make(saidSections(rest, MADE, name), given).map((block) => marked(block, name));
  if (!made.length) return null;
  const heading = part.heading === undefined ? [] : [schema.node('heading', { level: 2, part: name }, schema.text(part.heading))];
  const put = (from: number, to: number, content: readonly PostNode[]) =>
    rest.copy(rest.content.cut(0, from).append(Fragment.from(content)).append(rest.content.cut(to)));
  const all = sectionsOf(rest);
  const headed = all.filter((s) => s.id !== 'lead');
  if (part.place === 'opening') return put(0, headed[0]?.from ?? rest.content.size, made);
  const own = headed.find((s) => s.heading === part.heading);
  // A close that somebody wrote is kept: the conclusion goes in at its head.
  if (own && isLoose) {
    const below = own.from + rest.nodeAt(own.from)!.nodeSize;
    return put(below, below, made);
  }
  if (own) return put(own.from, endOfOwn(rest, own.from, name), [...heading, ...made]);
  const real = headed.filter((s) => !MADE.has(s.heading));
  const before = part.place === 'first' ? real[0] : part.place === 'last' && real.length > 1 ? real.at(-1) : undefined;
  const at = before?.from ?? endOf(rest, name);
  return put(at, at, [...heading, ...made]);
}

const isHeading = (block: PostNode): boolean => block.type === schema.nodes.heading;

/** Where a section made before ends: at the next heading of its level, or at another part. */
function endOfOwn(doc: PostNode, from: number, name: StandingPart): number {
  let end = from;
  doc.forEach((block, pos) => {
    if (pos < from || pos !== end) return;
    const isOther = pos > from && ((isHeading(block) && block.attrs.level <= 2) || (block.attrs.part && block.attrs.part !== name));
    if (!isOther) end = pos + block.nodeSize;
  });
  return end;
}

/** The end of a post, before the parts that stand later than this one. */
function endOf(doc: PostNode, name: StandingPart): number {
  let at = doc.content.size;
  for (const block of doc.children.toReversed()) {
    if (ORDER.indexOf(block.attrs.part as string) <= ORDER.indexOf(name)) break;
    at -= block.nodeSize;
  }
  return at;
}

const marked = (block: PostNode, part: StandingPart): PostNode =>
  'part' in block.attrs ? block.type.create({ ...block.attrs, part }, block.content) : block;
