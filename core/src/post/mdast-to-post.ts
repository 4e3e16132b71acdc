import { fromHtml } from 'hast-util-from-html';
import type { Definition, Link, LinkReference, Nodes, Parents, PhrasingContent, Root } from 'mdast';
import { isSafeAddress } from './address.ts';
import { filled } from './blocks/filled.ts';
import { ofKinds } from './blocks/index.ts';
import type { In } from './blocks/kind.ts';
import { pictureAttrsOf } from './blocks/picture.ts';
import { inRow } from './blocks/picture-row.ts';
import { pairedBlocks, pairedTags } from './paired-tags.ts';
import { schema, type Mark, type PostNode } from './schema.ts';

type Definitions = Map<string, Definition>;

const { nodes, marks } = schema;

const BLOCKS = ofKinds('fromMdast');

// Raw markup is shown as the words it was typed in, never run; only a picture is one.
const ofMarkup = (markup: string): PostNode[] =>
  /^<!--[^]*-->$/.test(markup.trim()) ? [] : [pictureOfMarkup(markup) ?? textParagraph(markup)];

const textParagraph = (words: string) => nodes.paragraph.create(null, words ? schema.text(words) : null);

/** A Markdown tree as a post without ids. Of a node that the page has no place for the words stay. */
export function mdastToPost(tree: Root): PostNode {
  const definitions: Definitions = new Map();
  const collect = (node: Nodes) => {
    if (node.type === 'definition' && !definitions.has(node.identifier)) definitions.set(node.identifier, node);
    if ('children' in node) node.children.forEach(collect);
  };
  collect(tree);
  const read: In = {
    nodes,
    text: (words) => schema.text(words),
    blocks: (node) => blocks(node, definitions, read),
    words: (node) => words(node, definitions),
    pictures: (node) => pictures(node, definitions),
  };
  return nodes.doc.create(null, filled(read.blocks(tree), read));
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

/** Whether blocks stand somewhere in a node, as HTML may have them inside a link or a mark. */
const holdsBlocks = (node: Child): boolean => childrenOf(node).some((child) => !isInline(child) || holdsBlocks(child));

/** The blocks a Markdown node's children become; words that stand between blocks make a paragraph. */
function blocks(parent: Parents, definitions: Definitions, read: In): PostNode[] {
  const found: PostNode[] = [];
  let run: PhrasingContent[] = [];
  const flush = () => {
    if (run.length) found.push(...paragraphs(run, definitions));
    run = [];
  };
  for (const node of pairedBlocks(parent.children).flatMap((child) => (isInline(child) ? outward(child) : [child]))) {
    // Raw markup stands as a block of its own, or inside a paragraph.
    if (isInline(node) && (node.type !== 'html' || parent.type === 'paragraph')) run.push(node);
    else {
      flush();
      const handle = BLOCKS[node.type];
      if (node.type === 'html') found.push(...ofMarkup(node.value));
      else if (handle) found.push(...handle(node as never, read));
      else if ('children' in node) found.push(...read.blocks(node));
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

/** The pictures of a line that holds nothing else; null when it holds more. */
function lineOfPictures(children: PhrasingContent[], definitions: Definitions): PostNode[] | null {
  const found = children.map((child) => (child.type === 'text' && /^[ \t]+$/.test(child.value) ? 'space' : asPicture(child, definitions)));
  return found.every((one) => one !== null) ? found.filter((one) => one !== 'space') : null;
}

// A picture is a block of its own: a paragraph is cut around the pictures in it; some on one line stand in a row.
function paragraphs(children: PhrasingContent[], definitions: Definitions): PostNode[] {
  const line = lineOfPictures(children, definitions);
  if (line) return inRow(line);
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
  return nodes.picture.create(pictureAttrsOf(node as { alt?: string | null }, target));
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
