import { figuresIn } from '@even-page/core/language/figures';
import { sentences } from '@even-page/core/language/sentences';
import { type Origin, type PostNode, schema } from '@even-page/core/post/schema';
import { plainText } from '@even-page/core/post/sections';
import { hiddenLists, withList } from '@even-page/core/shape';
import { docOf } from './page-of.ts';

const { nodes } = schema;

/** A sentence of some blocks with its own content, so that links stay, and the marks of its block. */
type Said = { text: string; content: PostNode; origins: readonly Origin[] };

/** The sentences of the paragraphs and list items among some blocks. */
export function saidIn(blocks: readonly PostNode[]): Said[] {
  return blocks.flatMap((block) => {
    if (!block.isTextblock) return saidIn(block.children);
    if (block.type === nodes.heading) return [];
    const origins = (block.attrs.origins ?? []) as Origin[];
    return sentences(plainText(block)).map(({ text, from, to }) => ({ text, content: block.cut(from, to), origins }));
  });
}

const paragraphWith = ({ content, origins }: Said): PostNode => nodes.paragraph.create({ origins }, content.content);

/** A list of the sentences, or of what is hidden in them: things counted off, steps to take. */
export function asList(blocks: readonly PostNode[], form: 'list' | 'steps'): PostNode[] {
  const doc = docOf(blocks);
  const hidden = hiddenLists(doc).filter((l) => form === 'list' || l.kind !== 'alike');
  const longest = hidden.sort((a, b) => b.items.length - a.items.length)[0];
  if (longest) return [...withList(doc, longest, form === 'steps' ? 'numbers' : 'bullets').children];
  const said = saidIn(blocks);
  const list = form === 'steps' ? nodes.orderedList : nodes.bulletList;
  return said.length
    ? [
        list.create(
          null,
          said.map((s) => nodes.listItem.create(null, paragraphWith(s))),
        ),
      ]
    : [];
}

/** A table of what is told by the same measures: each thing beside its figure. Null when fewer than two things are. */
export function asTable(blocks: readonly PostNode[], of: string): PostNode[] | null {
  const doc = docOf(blocks);
  const hidden = hiddenLists(doc).find((l) => l.forms.includes('table'));
  if (hidden) return [...withList(doc, hidden, 'table').children];
  const said = saidIn(blocks);
  const figures = said.map(({ text }) => figuresIn(text).filter((f) => !f.isPlain));
  const counts = new Map<string, number>();
  for (const own of figures) for (const f of own) if (f.isMeasure) counts.set(f.unit, (counts.get(f.unit) ?? 0) + 1);
  const [measure] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
  const rows = said.flatMap((s, i) => {
    const own = figures[i]!.filter((f) => f.unit === measure);
    return own.length ? [{ s, says: own.map((f) => f.text).join(', ') }] : [];
  });
  if (rows.length < 2) return null;
  const [what = 'What is said', much = 'How much'] = of
    ? of.split(/ by /i).map((word) => word.charAt(0).toUpperCase() + word.slice(1).trim())
    : [];
  const head = nodes.tableRow.create(
    null,
    [what, much].map((text) => nodes.tableHeader.create(null, schema.text(text))),
  );
  const table = nodes.table.create(null, [
    head,
    ...rows.map(({ s, says }) =>
      nodes.tableRow.create(null, [
        nodes.tableCell.create({ origins: s.origins }, s.content.content),
        nodes.tableCell.create({ origins: s.origins }, schema.text(says)),
      ]),
    ),
  ]);
  // What has no figure stays beside it, so that nothing is lost.
  const rest = said.filter((s) => !rows.some((r) => r.s === s));
  return [...rest.map(paragraphWith), table];
}
