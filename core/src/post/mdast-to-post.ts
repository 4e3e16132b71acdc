import { fromHtml } from 'hast-util-from-html';
import type { Definition, Nodes, Parents, PhrasingContent, Root, Table } from 'mdast';
import { isSafeAddress } from './address.ts';
import { asideOf, pairedTags, type Note, type PullQuote } from './own-mdast.ts';
import { schema, type Mark, type PostNode } from './schema.ts';

type Definitions = Map<string, Definition>;

/** One handler for each kind of Markdown node that stands as a block; a node may become several blocks or none. */
type Block = (node: never, definitions: Definitions) => PostNode[];

const { nodes, marks } = schema;

const BLOCKS: Record<string, Block> = {
  paragraph: (node: Parents, definitions) => paragraphs(node.children as PhrasingContent[], definitions),
  heading: (node: Parents & { depth: number }, definitions) => [
    nodes.heading.create({ level: node.depth }, inline(node.children as PhrasingContent[], definitions, [])),
  ],
  blockquote: (node: Parents, definitions) => [nodes.blockquote.create(null, withAuthor(filled(blocks(node, definitions))))],
  note: (node: Note, definitions) => [nodes.note.create(null, filled(blocks(node, definitions)))],
  pullQuote: (node: PullQuote, definitions) => [nodes.pullQuote.create(null, trimmed(inline(node.children, definitions, [])))],
  list: (node: Parents & { ordered?: boolean; start?: number }, definitions) => {
    const items = node.children.map((item) => nodes.listItem.create(null, filled(blocks(item as Parents, definitions))));
    if (!items.length) return [];
    return [node.ordered ? nodes.orderedList.create({ start: node.start ?? 1 }, items) : nodes.bulletList.create(null, items)];
  },
  code: (node: { value: string; lang?: string | null }) => [
    nodes.codeBlock.create({ language: node.lang ?? '' }, node.value ? schema.text(node.value) : null),
  ],
  thematicBreak: () => [nodes.rule.create()],
  // Raw markup is shown as the words it was typed in, never run; only a picture is one.
  html: (node: { value: string }) =>
    /^<!--[^]*-->$/.test(node.value.trim()) ? [] : [pictureOfMarkup(node.value) ?? textParagraph(node.value)],
  table: (node: Table, definitions) => {
    const width = Math.max(...node.children.map((row) => row.children.length));
    const rows = node.children.map((row, n) =>
      nodes.tableRow.create(
        null,
        Array.from({ length: width }, (_, i) =>
          (n ? nodes.tableCell : nodes.tableHeader).create(null, trimmed(inline(row.children[i]?.children ?? [], definitions, []))),
        ),
      ),
    );
    return width ? [nodes.table.create(null, rows)] : [];
  },
  footnoteDefinition: (node: Parents, definitions) => blocks(node, definitions),
  definition: () => [],
  yaml: () => [],
};

/** The last paragraph of a quotation that begins with a long dash says whose words they are. */
function withAuthor(found: PostNode[]): PostNode[] {
  const last = found.at(-1)!;
  if (found.length < 2 || last.type !== nodes.paragraph || !/^[—–―]\s*\S/.test(last.textContent)) return found;
  const dash = /^[—–―]\s*/.exec(last.firstChild!.text ?? '')?.[0].length ?? 0;
  return [...found.slice(0, -1), nodes.author.create(null, last.cut(dash).content)];
}

const textParagraph = (words: string) => nodes.paragraph.create(null, words ? schema.text(words) : null);
const filled = (found: PostNode[]) => (found.length ? found : [nodes.paragraph.create()]);

/** A Markdown tree as a post without ids. Unknown kinds of node are a bug, not bad input. */
export function mdastToPost(tree: Root): PostNode {
  const definitions: Definitions = new Map();
  const collect = (node: Nodes) => {
    if (node.type === 'definition' && !definitions.has(node.identifier)) definitions.set(node.identifier, node);
    if ('children' in node) node.children.forEach(collect);
  };
  collect(tree);
  return nodes.doc.create(null, filled(blocks(tree, definitions)));
}

const INLINE = new Set([
  'text',
  'emphasis',
  'strong',
  'delete',
  'highlight',
  'inlineCode',
  'break',
  'link',
  'linkReference',
  'image',
  'imageReference',
  'footnoteReference',
]);

/** The blocks a Markdown node's children become; words that stand between blocks make a paragraph. */
function blocks(parent: Parents, definitions: Definitions): PostNode[] {
  const found: PostNode[] = [];
  let run: PhrasingContent[] = [];
  const flush = () => {
    if (run.length) found.push(...paragraphs(run, definitions));
    run = [];
  };
  for (const node of pairedTags<Parents['children'][number]>(parent.children, 'aside', (between) => asideOf(between as Note['children']))) {
    if (INLINE.has(node.type)) {
      run.push(node as PhrasingContent);
      continue;
    }
    flush();
    const handle = BLOCKS[node.type];
    if (!handle) throw new Error(`No handler for the Markdown node "${node.type}"`);
    found.push(...handle(node as never, definitions));
  }
  flush();
  return found;
}

// A picture is a block of its own: a paragraph is cut around the pictures in it.
function paragraphs(children: PhrasingContent[], definitions: Definitions): PostNode[] {
  const found: PostNode[] = [];
  let run: PhrasingContent[] = [];
  const flush = () => {
    const content = trimmed(inline(run, definitions, []));
    if (content.length) found.push(nodes.paragraph.create(null, content));
    run = [];
  };
  for (const child of children) {
    const picture = asPicture(child, definitions);
    if (picture) {
      flush();
      found.push(picture);
    } else run.push(child);
  }
  flush();
  return found;
}

/** The picture that an `<img>` stands for; null when the markup is another, or its address is not safe. */
function pictureOfMarkup(markup: string): PostNode | null {
  if (!/^\s*<img\s[^<>]*>\s*$/i.test(markup)) return null;
  const [image] = fromHtml(markup, { fragment: true }).children.filter((node) => node.type === 'element');
  const { src, alt, title } = image!.properties;
  if (typeof src !== 'string' || !isSafeAddress(src)) return null;
  return nodes.picture.create({ src, alt: String(alt ?? ''), caption: String(title ?? '') });
}

function asPicture(node: PhrasingContent, definitions: Definitions): PostNode | null {
  if (node.type === 'html') return pictureOfMarkup(node.value);
  const target = node.type === 'imageReference' ? definitions.get(node.identifier) : node.type === 'image' ? node : null;
  if (!target || !isSafeAddress(target.url)) return null;
  const { alt } = node as { alt?: string | null };
  return nodes.picture.create({ src: target.url, alt: alt ?? '', caption: target.title ?? '' });
}

function inline(children: PhrasingContent[], definitions: Definitions, around: readonly Mark[]): PostNode[] {
  const paired = pairedTags(children, 'mark', (between): PhrasingContent => ({ type: 'highlight', children: between }));
  return paired.flatMap((node): PostNode[] => {
    const within = (mark: Mark) => inline((node as Parents).children as PhrasingContent[], definitions, mark.addToSet(around));
    const say = (words: string, set = around) => (words ? [schema.text(words, set)] : []);
    switch (node.type) {
      case 'text':
        return say(node.value.replace(/\n/g, ' '));
      case 'html':
        return /^<br\s*\/?>$/i.test(node.value) ? [nodes.hardBreak.create()] : say(node.value);
      case 'inlineCode':
        return say(node.value, marks.code.create().addToSet(around));
      case 'break':
        return [nodes.hardBreak.create(null, null, around)];
      case 'emphasis':
        return within(marks.emphasis.create());
      case 'strong':
        return within(marks.strong.create());
      case 'highlight':
        return within(marks.highlight.create());
      case 'delete':
        return within(marks.strikethrough.create());
      case 'link':
      case 'linkReference': {
        const target = node.type === 'link' ? node : definitions.get(node.identifier);
        if (!target || !isSafeAddress(target.url)) return inline(node.children, definitions, around);
        return within(marks.link.create({ href: target.url, title: target.title ?? '' }));
      }
      case 'image':
      case 'imageReference':
        return say(node.alt ?? '');
      case 'footnoteReference':
        return say(`[${node.label ?? node.identifier}]`);
    }
  });
}

// Spaces at the edges of a block mean nothing and would come back as entities; those of code are its own.
function trimmed(content: PostNode[]): PostNode[] {
  const list = [...content];
  const cut = (at: 0 | -1, trim: (words: string) => string) => {
    for (let node = list.at(at); node?.isText && !marks.code.isInSet(node.marks); node = list.at(at)) {
      const words = trim(node.text!);
      if (words) return void list.splice(at, 1, schema.text(words, node.marks));
      list.splice(at, 1);
    }
  };
  cut(0, (words) => words.trimStart());
  cut(-1, (words) => words.trimEnd());
  return list;
}
