import { type PostNode, schema } from '@even-page/core/post/schema';
import { centrality, condense, type Subjects, withoutUnits } from '@even-page/core/shape';
import { type AskedSection, type DraftRequest, partsOf } from '@even-page/core/write';
import { asList, asTable, saidIn } from '../forms.ts';
import { docOf, heading, paragraphsOf } from '../page-of.ts';
import type { Task } from '../task.ts';

const OWN = 's';

/** How many words a section is to have: what is asked of it, its share of the post, or all there are. */
function wordsFor(part: AskedSection, { brief, outline }: DraftRequest): number {
  if (part.words) return part.words;
  const sections = outline.filter((p) => p.level <= 2).length;
  return brief.words && sections ? Math.round(brief.words / sections) : 0;
}

/** The blocks of one section: what its passages say, as written, in their order, as long and in the form asked for. */
export function sectionBlocks(
  part: AskedSection,
  request: DraftRequest,
  known: Subjects,
  words = wordsFor(part, request),
): (PostNode | { note: string })[] {
  const own = new Set(part.passages);
  const paragraphs = paragraphsOf(request.passages.filter((p) => own.has(p.id)));
  if (!paragraphs.length) return [{ note: `No passage of the material feeds “${part.heading || 'the opening'}”.` }];
  const doc = docOf([heading(part.heading || OWN, 2, OWN), ...paragraphs]);
  const short = words ? withoutUnits(doc, condense(doc, words, { section: OWN, subjects: known })) : doc;
  return inForm(short.children.slice(1), part, known);
}

function inForm(blocks: PostNode[], { form, of }: AskedSection, known: Subjects): (PostNode | { note: string })[] {
  if (form === 'list' || form === 'steps') return asList(blocks, form);
  if (form === 'table')
    return asTable(blocks, of) ?? [...blocks, { note: 'Nothing in these passages is told by the same measure, so there is no table.' }];
  if (form === 'quotation') {
    const said = saidIn(blocks);
    const central = centrality([{ id: '', heading: '', from: 0, sentences: said.map(({ text }) => ({ text, origins: [] })) }], known);
    const [best] = [...said].sort((a, b) => central(b.text) - central(a.text));
    return best
      ? [schema.nodes.blockquote!.create(null, schema.nodes.paragraph!.create({ origins: best.origins }, best.content.content))]
      : blocks;
  }
  return blocks;
}

/** Drafts one section, and the parts below it with their headings. */
export const section: Task = function* (request, known) {
  const [own, ...below] = partsOf(request.outline, request.section);
  const part = own ?? {
    id: '',
    heading: '',
    level: 2,
    says: '',
    words: 0,
    form: 'paragraphs' as const,
    of: '',
    passages: request.passages.map((p) => p.id),
  };
  yield* sectionBlocks(part, request, known, below.length && part.words ? Math.round(part.words / (below.length + 1)) : undefined);
  for (const inner of below) {
    yield heading(inner.heading, inner.level);
    yield* sectionBlocks(inner, request, known);
  }
};
