import { fromHtml } from 'hast-util-from-html';
import type { Definition, Link, LinkReference, Nodes, Parents, PhrasingContent, Root, Table } from 'mdast';
import { isSafeAddress } from './address.ts';
import { asideOf, pairedTags, type Note, type PullQuote } from './own-mdast.ts';
import { schema, type Mark, type PostNode } from './schema.ts';

type Definitions = Map<string, Definition>;

/** One handler for each kind of Markdown node that stands as a block; a node may become several blocks or none. */
type Block = (node: never, definitions: Definitions) => PostNode[];

const { nodes, marks } = schema;

const BLOCKS: Record<string, Block> = {
  paragraph: (node: Parents, definitions) => blocks(node, definitions),
  heading: (node: Parents & { depth: number }, definitions) => [
    nodes.heading.create({ level: node.depth }, words(node, definitions)),
    ...pictures(node, definitions),
  ],
  blockquote: (node: Parents, definitions) => [nodes.blockquote.create(null, withAuthor(filled(blocks(node, definitions))))],
  note: (node: Note, definitions) => [nodes.note.create(null, filled(blocks(node, definitions)))],
  pullQuote: (node: PullQuote, definitions) => [nodes.pullQuote.create(null, words(node, definitions)), ...pictures(node, definitions)],
  list: (node: Parents & { ordered?: boolean; start?: number }, definitions) => {
    const items = node.children.map((item) => nodes.listItem.create(null, filled(blocks(asParent(item), definitions))));
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
    const width = Math.max(0, ...node.children.map((row) => row.children.length));
    const rows = node.children.map((row, n) =>
      nodes.tableRow.create(
        null,
        Array.from({ length: width }, (_, i) => {
          const cell = row.children[i];
          return (n ? nodes.tableCell : nodes.tableHeader).create(null, cell ? words(cell, definitions) : null);
        }),
      ),
    );
    // A cell holds words alone: pictures in one stand behind the table.
    return width ? [nodes.table.create(null, rows), ...pictures(node, definitions)] : [];
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

/** A Markdown tree as a post without ids. Of a node that the page has no place for the words stay. */
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
  'html',
]);

type Child = Parents['children'][number];

const isInline = (node: Child): node is PhrasingContent => INLINE.has(node.type);
const childrenOf = (node: Child | Parents): Child[] => ('children' in node ? node.children : []);
const asParent = (node: Child): Parents => ('children' in node ? node : { type: 'root', children: [node as never] });

/** Whether blocks stand somewhere in a node, as HTML may have them inside a link or a mark. */
const holdsBlocks = (node: Child): boolean => childrenOf(node).some((child) => !isInline(child) || holdsBlocks(child));

/** The blocks a Markdown node's children become; words that stand between blocks make a paragraph. */
function blocks(parent: Parents, definitions: Definitions): PostNode[] {
  const found: PostNode[] = [];
  let run: PhrasingContent[] = [];
  const flush = () => {
    if (run.length) found.push(...paragraphs(run, definitions));
    run = [];
  };
  const paired = pairedTags<Child>(parent.children, 'aside', (between) => asideOf(between as Note['children']));
  for (const node of paired.flatMap((child) => (isInline(child) ? outward(child) : [child]))) {
    // Raw markup stands as a block of its own, or inside a paragraph.
    if (isInline(node) && (node.type !== 'html' || parent.type === 'paragraph')) run.push(node);
    else {
      flush();
      const handle = BLOCKS[node.type];
      if (handle) found.push(...handle(node as never, definitions));
      else if ('children' in node) found.push(...blocks(node, definitions));
      else if ('value' in node && node.value) found.push(textParagraph(node.value));
    }
  }
  flush();
  return found;
}

/** A node around words; where blocks stand in it, those blocks with the node around the words of each. */
function outward(node: PhrasingContent): Child[] {
  if (!holdsBlocks(node)) return [node];
  const around = (children: Child[]): Child[] => (children.length ? [{ ...node, children } as never] : []);
  const within = (children: readonly Child[]): Child[] => {
    const found: Child[] = [];
    let run: Child[] = [];
    const flush = () => {
      found.push(...around(run));
      run = [];
    };
    for (const child of children.flatMap((inner) => (isInline(inner) ? outward(inner) : [inner]))) {
      if (isInline(child)) run.push(child);
      else {
        flush();
        found.push('children' in child ? ({ ...child, children: within(child.children) } as Child) : child);
      }
    }
    flush();
    return found;
  };
  return within(childrenOf(node));
}

/** The words of a node for a place that holds no blocks: those of different blocks with a space between. */
function words(node: Parents, definitions: Definitions): PostNode[] {
  const flat = (children: readonly Child[]): Child[] =>
    children.flatMap((child): Child[] => {
      if (isInline(child)) return 'children' in child ? [{ ...child, children: flat(child.children) } as Child] : [child];
      const own: Child[] = 'children' in child ? flat(child.children) : 'value' in child ? [{ type: 'text', value: child.value }] : [];
      return [SPACE, ...own, SPACE];
    });
  return trimmed(inline(flat(node.children) as PhrasingContent[], definitions, []));
}

const SPACE: PhrasingContent = { type: 'text', value: ' ' };

/** The pictures inside a node whose place holds words alone. */
function pictures(node: Child | Parents, definitions: Definitions): PostNode[] {
  return childrenOf(node).flatMap((child) => {
    const picture = isInline(child) ? asPicture(child, definitions) : null;
    return picture ? [picture] : pictures(child, definitions);
  });
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

/** The picture that is all a link holds, with where it leads. */
function linkedPicture(link: Link | LinkReference, definitions: Definitions): PostNode | null {
  const [only, ...more] = link.children.filter((child) => child.type !== 'text' || child.value.trim());
  const picture = only && !more.length ? asPicture(only, definitions) : null;
  const target = link.type === 'link' ? link : definitions.get(link.identifier);
  if (!picture || !target || !isSafeAddress(target.url)) return picture;
  return nodes.picture.create({ ...picture.attrs, href: target.url });
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
  if (node.type === 'link' || node.type === 'linkReference') return linkedPicture(node, definitions);
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
