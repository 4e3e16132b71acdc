import { Fragment } from 'prosemirror-model';
import { sentences } from '../language/sentences.ts';
import { normal } from '../language/terms.ts';
import { words } from '../language/words.ts';
import { plainText } from '../post/sections.ts';
import { schema, type Origin, type PostNode } from '../post/schema.ts';
import { turnIn } from '../post/turns.ts';
import { DEEDS } from '../tidy/index.ts';

const { nodes } = schema;

/** What a list can be written as. */
export type ListForm = 'numbers' | 'bullets' | 'table';

/**
 * A list that is hidden in prose: what leads in, its items, and the stretch of text that holds them. Blocks are
 * counted among those of the page, `at` in the letters of their text.
 */
export type HiddenList = {
  kind: 'counted' | 'steps' | 'alike';
  forms: ListForm[];
  lead: string;
  items: string[];
  /** The sentences of each item, as stretches of the text of their blocks. */
  spans: { block: number; from: number; to: number }[][];
  from: { block: number; at: number };
  to: { block: number; at: number };
};

/** A sentence of the page: its block, and where it stands in the block's text. */
type ListSentence = { text: string; block: number; from: number; to: number };

const FEWEST = 3;
const MOST = 12;
// An item of a list is a sentence, or two; what is longer is a paragraph.
const LONGEST = 45;

/** The lists hidden in the paragraphs of a page: things counted off, steps to take, statements made alike. */
export function hiddenLists(doc: PostNode): HiddenList[] {
  const found: HiddenList[] = [];
  let run: ListSentence[] = [];
  const flush = () => {
    for (let at = 0; at < run.length;) {
      const list = counted(run, at) ?? steps(run, at) ?? alike(run, at);
      if (!list) at++;
      else {
        found.push(list.list);
        at = list.next;
      }
    }
    run = [];
  };
  doc.children.forEach((block, n) => {
    if (block.type !== nodes.paragraph || block.attrs.part) return flush();
    // What one says and what another says are no list; a name stays in front of it.
    const name = turnIn(block).length;
    if (name) flush();
    run.push(
      ...sentences(plainText(block).slice(name)).map(({ text, from, to }) => ({ text, block: n, from: name + from, to: name + to })),
    );
  });
  flush();
  return found;
}

const OPENER = /^(?:(?:so|and|but|now|well|okay|right|then|um|because)\b,? )+/i;
const plain = (text: string) => text.replaceAll('’', "'").replace(OPENER, '');
const wordsOf = (text: string) => words(text).length;

const FIRST =
  /^(?:first(?:ly| of all)?\b|(?:the )?(?:number )?one (?:is|thing)\b|number one\b|the first (?:\w+ )?(?:is|thing|one|reason|step|rule|mistake|test|way|kind)\b)/i;
const NEXT =
  /^(?:second(?:ly)?\b|third(?:ly)?\b|fourth(?:ly)?\b|fifth(?:ly)?\b|next\b|number (?:two|three|four|five)\b|the (?:second|third|fourth|fifth|next|other) (?:\w+ )?(?:is|was|thing|one|reason|step|rule|mistake|test|way|kind)\b)/i;
const LAST =
  /^(?:finally\b|lastly\b|last of all\b|the (?:last|final) (?:\w+ )?(?:is|was|thing|one|reason|step|rule|mistake|test|way|kind)\b)/i;

/** First, second, the last one: each item runs to the next. */
function counted(run: readonly ListSentence[], at: number) {
  if (!FIRST.test(plain(run[at]!.text))) return null;
  const starts = [at];
  let isClosed = false;
  for (let i = at + 1; i < run.length && !isClosed && i - starts.at(-1)! <= 6; i++) {
    isClosed = LAST.test(plain(run[i]!.text));
    if (isClosed || NEXT.test(plain(run[i]!.text))) starts.push(i);
  }
  if (starts.length < FEWEST) return null;
  const ends = starts.map((start, k) => endOfItem(run, start, starts[k + 1] ?? run.length));
  return made(
    'counted',
    ['numbers', 'bullets'],
    run,
    starts.map((start, k) => run.slice(start, ends[k])),
  );
}

/** An item takes the sentences after it up to the next one, as long as it stays an item. */
function endOfItem(run: readonly ListSentence[], start: number, next: number): number {
  let end = start + 1;
  let length = wordsOf(run[start]!.text);
  while (end < next && (next < run.length || run[end]!.block === run[start]!.block)) {
    length += wordsOf(run[end]!.text);
    if (length > LONGEST && next === run.length) break;
    end++;
  }
  return end;
}

const BEFORE_DEED = /^(?:then|next|after that|first|now|finally|always|just|carefully|gently|slowly|once (?:it's|it is|they're) \w+),? /i;

// What the mind does is no step.
const MINDS = new Set(['mind', 'remember', 'notice', 'note', 'look', 'watch', 'rest', 'like']);

const isStep = (text: string): boolean => {
  if (/\?$/.test(text)) return false;
  let rest = plain(text);
  for (let k = 0; k < 2; k++) rest = rest.replace(BEFORE_DEED, '');
  // "When it beeps, press the bar": the deed stands behind the clause.
  rest = rest.replace(/^(?:when|once|after|if|to|for|before|with) [^,]{4,60}, (?=\p{L}+ )/iu, '');
  const [first, second] = words(rest);
  const deed = first ? normal(first.text) : '';
  const isTold = DEEDS.has(deed) && !MINDS.has(deed) && !/^(?:is|are|was|of|and)$/.test(second ? normal(second.text) : '');
  return isTold || (/^you$/.test(deed) && DEEDS.has(second ? normal(second.text) : ''));
};

// What is said of a step behind it, in so many short sentences.
const MOST_SAID = 2;
const LONGEST_SAID = 18;
const TELLS = /^(?:i|we|so i|my|you know)\b|\b(?:i'm|i've|i was|i had|we had)\b/i;

/** Steps in the imperative, one after the other; what is said of a step stays with it. */
function steps(run: readonly ListSentence[], at: number) {
  const items: ListSentence[][] = [];
  let end = at;
  for (let i = at; i < run.length && items.length < MOST; i++) {
    const { text } = run[i]!;
    const open = items.at(-1);
    if (isStep(text) && wordsOf(text) <= LONGEST) {
      items.push([run[i]!]);
      end = i + 1;
    } else if (!open || open.length > MOST_SAID || wordsOf(text) > LONGEST_SAID || /\?$/.test(text) || TELLS.test(plain(text))) break;
    else open.push(run[i]!);
  }
  // What follows the last step belongs to the text again.
  const last = items.at(-1);
  if (last) last.length = Math.max(1, last.length - (run.indexOf(last.at(-1)!) + 1 - end));
  if (items.length < FEWEST) return null;
  return made('steps', ['numbers', 'bullets'], run, items);
}

// What a statement begins with says nothing of its likeness if every other sentence begins with it.
const POINTING = new Set("i we you it it's that that's this he she they there there's and but so".split(' '));
const isCommon = (word: string) => POINTING.has(word) || word === 'the' || word === 'a';
const LINKS = /^(.{2,40}?) (is|are|was|were|takes|take|means|wants|want|needs|need|costs|cost|goes|go) (.+?)[.!]?$/i;

/** Statements made alike: beginning with the same two words, or each saying of something what it is. */
function alike(run: readonly ListSentence[], at: number) {
  if (/\?$/.test(run[at]!.text)) return null;
  const opening = (text: string) =>
    words(plain(text))
      .slice(0, 2)
      .map((w) => normal(w.text));
  const [one, two] = opening(run[at]!.text);
  let end = at;
  if (one && two && !(isCommon(one) && isCommon(two))) {
    while (
      end < run.length &&
      end - at < MOST &&
      wordsOf(run[end]!.text) <= LONGEST / 2 &&
      opening(run[end]!.text).join(' ') === `${one} ${two}`
    )
      end++;
  }
  if (end - at >= FEWEST) return made('alike', ['bullets', 'numbers'], run, each(run, at, end));
  const verb = LINKS.exec(plain(run[at]!.text))?.[2]?.toLowerCase();
  for (end = at; verb && end < run.length && end - at < MOST; end++) {
    const [, thing, link] = LINKS.exec(plain(run[end]!.text)) ?? [];
    const fits = link?.toLowerCase() === verb && wordsOf(thing!) <= 4 && !POINTING.has(normal(words(thing!)[0]?.text ?? ''));
    if (!fits || wordsOf(run[end]!.text) > 16) break;
  }
  if (end - at < FEWEST) return null;
  return made('alike', ['table', 'bullets'], run, each(run, at, end));
}

const each = (run: readonly ListSentence[], at: number, end: number) => run.slice(at, end).map((s) => [s]);

function made(kind: HiddenList['kind'], forms: ListForm[], run: readonly ListSentence[], items: readonly (readonly ListSentence[])[]) {
  if (items.length > MOST) return null;
  const first = items[0]![0]!;
  const last = items.at(-1)!.at(-1)!;
  const at = run.indexOf(first);
  const before = run[at - 1];
  const list: HiddenList = {
    kind,
    forms,
    lead: before?.block === first.block ? before.text : '',
    items: items.map((said) => item(said.map((s) => s.text).join(' '))),
    spans: items.map((said) => said.map(({ block, from, to }) => ({ block, from, to }))),
    from: { block: first.block, at: first.from },
    to: { block: last.block, at: last.to },
  };
  return { list, next: run.indexOf(last) + 1 };
}

const TIES = /^(?:(?:so|and|but|now|well|okay|right|then|um|because|next|after that)\b,? )+/i;

/** A sentence as an item: without the words that only tie it to the one before. */
function item(text: string): string {
  const rest = text.replace(TIES, '');
  return rest.charAt(0).toUpperCase() + rest.slice(1);
}

/**
 * The page with a hidden list written as one. What leads in stays above it, what comes after below; every part keeps
 * the origin marks of its paragraph. New blocks have no ids yet.
 */
export function withList(doc: PostNode, list: HiddenList, form: ListForm): PostNode {
  const { from, to } = list;
  // Letters of a paragraph's text and positions in its content are the same: what is cut keeps its marks.
  const paragraph = (n: number, content: Fragment) => {
    const trimmed = withoutEdges(content);
    return trimmed.size ? [nodes.paragraph.create({ ...doc.child(n).attrs, id: '' }, trimmed)] : [];
  };
  const origins = [...new Set(doc.children.slice(from.block, to.block + 1).flatMap((b) => b.attrs.origins as Origin[]))];
  const children = [...doc.children];
  children.splice(
    from.block,
    to.block - from.block + 1,
    ...paragraph(from.block, doc.child(from.block).content.cut(0, from.at)),
    written(doc, list, form, origins),
    ...paragraph(to.block, doc.child(to.block).content.cut(to.at)),
  );
  return doc.copy(Fragment.from(children));
}

function withoutEdges(content: Fragment): Fragment {
  const text = content.textBetween(0, content.size, '', ' ');
  return content.cut(text.length - text.trimStart().length, Math.max(0, text.trimEnd().length));
}

/** The content of an item: its sentences, without the words that tie the first to the one before. */
function contentOf(doc: PostNode, span: HiddenList['spans'][number]): Fragment {
  return span.reduce((all, { block, from, to }, k) => {
    const { content } = doc.child(block);
    if (k) return all.append(Fragment.from(schema.text(' '))).append(content.cut(from, to));
    const tie = TIES.exec(content.cut(from, to).textBetween(0, to - from, '', ' '))?.[0].length ?? 0;
    const own = content.cut(from + tie, to);
    const first = own.firstChild;
    if (!first?.isText) return own;
    return own.replaceChild(0, schema.text(first.text!.charAt(0).toUpperCase() + first.text!.slice(1), first.marks));
  }, Fragment.empty);
}

function written(doc: PostNode, { items, spans }: HiddenList, form: ListForm, origins: readonly Origin[]): PostNode {
  if (form === 'table') {
    const row = (type: typeof nodes.tableCell, cells: readonly string[]) =>
      nodes.tableRow.create(
        null,
        cells.map((c) => type.create({ origins }, c ? schema.text(c) : null)),
      );
    const pairs = items.map((text) => LINKS.exec(text));
    const verb = pairs[0]?.[2] ?? '';
    return nodes.table.create(null, [
      row(nodes.tableHeader, ['What', verb.charAt(0).toUpperCase() + verb.slice(1)]),
      ...pairs.map((m, i) => row(nodes.tableCell, [m?.[1] ?? items[i]!, m?.[3] ?? ''])),
    ]);
  }
  const list = form === 'numbers' ? nodes.orderedList : nodes.bulletList;
  return list.create(
    null,
    spans.map((span) => nodes.listItem.create(null, nodes.paragraph.create({ origins }, contentOf(doc, span)))),
  );
}
