import { Fragment } from 'prosemirror-model';
import type { Details } from './details.ts';
import type { PostNode } from './schema.ts';

/** Both sides of a place where two people changed the same; null where a side took it away. */
export type Both<T> = { mine: T | null; theirs: T | null };

/** A block, or a detail, that was changed on both sides in different ways: the writer has to choose. */
export type Choice =
  ({ kind: 'block'; id: string } & Both<PostNode>) | ({ kind: 'detail'; name: keyof Details } & Both<Details[keyof Details]>);

/** What a page and its details are at one moment. */
export type Draft = { doc: PostNode; details: Details };

/** Two changes of one draft put together; where they clash, `mine` stands until the writer has chosen. */
export type Merged = Draft & { choices: Choice[] };

/**
 * Puts two changes of one draft together, block by block and detail by detail: what one side changed is taken,
 * what both changed alike is taken once. A block is known by its id. `base` is the draft both began from; null
 * when it is not known, and then whatever differs is a choice.
 */
export function mergeDrafts(base: Draft | null, mine: Draft, theirs: Draft): Merged {
  const blocks = mergeBlocks(base?.doc ?? null, mine.doc, theirs.doc);
  const details = mergeDetails(base?.details ?? null, mine.details, theirs.details);
  return { doc: blocks.doc, details: details.details, choices: [...details.choices, ...blocks.choices] };
}

type Blocks = Map<string, PostNode>;

function blocksOf(doc: PostNode | null): Blocks {
  const found: Blocks = new Map();
  doc?.children.forEach((block, i) => {
    const id = block.attrs.id as string;
    // A block without an id of its own, as a program may send one, is known by its place.
    found.set(id && !found.has(id) ? id : `${id}#${i}`, block);
  });
  return found;
}

function mergeBlocks(baseDoc: PostNode | null, mineDoc: PostNode, theirsDoc: PostNode) {
  const [base, mine, theirs] = [blocksOf(baseDoc), blocksOf(mineDoc), blocksOf(theirsDoc)];
  const kept: Blocks = new Map();
  const choices: Choice[] = [];
  for (const id of new Set([...mine.keys(), ...theirs.keys()])) {
    const was = base.get(id) ?? null;
    const m = mine.get(id) ?? null;
    const t = theirs.get(id) ?? null;
    const clash = !same(m, t) && !same(m, was) && !same(t, was);
    if (clash) choices.push({ kind: 'block', id, mine: m, theirs: t });
    // A block that only one side took away stays in sight until the choice is made.
    const stands = clash ? (m ?? t) : same(m, was) ? t : m;
    if (stands) kept.set(id, stands);
  }
  const order = mergeOrder([...base.keys()], [...mine.keys()], [...theirs.keys()]).filter((id) => kept.has(id));
  const doc = order.length ? mineDoc.copy(Fragment.from(order.map((id) => kept.get(id)!))) : mineDoc.type.createAndFill()!;
  return { doc, choices };
}

const same = (a: PostNode | null, b: PostNode | null) => (a && b ? a.eq(b) : a === b);

/**
 * One order of all ids: that of the side which moved blocks (mine, if both did), with the other side's new ones
 * each after the block they followed there.
 */
function mergeOrder(base: string[], mine: string[], theirs: string[]): string[] {
  const [lead, other] = isMoved(base, mine) || !isMoved(base, theirs) ? [mine, theirs] : [theirs, mine];
  const order = [...lead];
  const placed = new Set(order);
  other.forEach((id, i) => {
    if (placed.has(id)) return;
    const before = other.slice(0, i).findLast((earlier) => placed.has(earlier));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
    placed.add(id);
  });
  return order;
}

/** Whether the blocks that stayed stand in another order. */
function isMoved(base: string[], now: string[]): boolean {
  const there = new Set(now);
  const stayed = new Set(base.filter((id) => there.has(id)));
  const [a, b] = [base, now].map((ids) => ids.filter((id) => stayed.has(id)));
  return a!.some((id, i) => id !== b![i]);
}

function mergeDetails(base: Details | null, mine: Details, theirs: Details) {
  const details = { ...mine };
  const choices: Choice[] = [];
  for (const name of Object.keys({ ...theirs, ...mine }) as (keyof Details)[]) {
    const [was, m, t] = [base, mine, theirs].map((d) => JSON.stringify(d?.[name]));
    if (m === t || t === was) continue;
    if (m === was) Object.assign(details, { [name]: theirs[name] });
    else choices.push({ kind: 'detail', name, mine: mine[name], theirs: theirs[name] });
  }
  return { details, choices };
}
