import { showTime } from '../language/times.ts';
import type { Node as PostNode } from 'prosemirror-model';
import { isSafeAddress } from './address.ts';

/** The tie from a block to a run of passages of one source; `startMs` is the time of the first, if it has one. */
export type Origin = { source: string; first: number; last: number; startMs?: number };

/** What parse rules read from an element; the core does not know the DOM library. */
export type ElementLike = { getAttribute(name: string): string | null };

/** Throws a RangeError when the value of an attribute is no safe address. */
export function address(value: unknown): void {
  if (typeof value !== 'string') throw new RangeError('an address must be text');
  if (!isSafeAddress(value)) throw new RangeError('an address must be a web, mail or local one');
}

/** An address, or none. */
export function addressOrNone(value: unknown): void {
  if (value !== '') address(value);
}

/** One of some words. */
export const oneOf = (words: readonly string[]) => (value: unknown) => {
  if (!words.includes(value as string)) throw new RangeError(`${String(value)} is none of ${words.join(', ')}`);
};

function origins(value: unknown) {
  const fits =
    Array.isArray(value) &&
    value.every(
      (o: Partial<Origin>) =>
        typeof o?.source === 'string' &&
        Number.isInteger(o.first) &&
        Number.isInteger(o.last) &&
        (o.startMs === undefined || Number.isFinite(o.startMs)),
    );
  if (!fits) throw new RangeError('origins must be a list of ties to passages');
}

/** Every block has an id that stays with it through edits, moves and saves; empty until it is given one. */
export const ID = { id: { default: '', validate: 'string' } };
/** Blocks made of words also carry their origin marks. */
export const WORDS = { ...ID, origins: { default: [], validate: origins } };
/** Which standing part of the post a block was made for, so that it can be made anew. */
export const PART = { part: { default: '', validate: 'string' } };

/** The id and origin marks of a copied block. */
export const wordsOfDOM = (dom: ElementLike) => ({
  id: dom.getAttribute('data-id') ?? '',
  origins: readOrigins(dom.getAttribute('data-origins')),
});

function readOrigins(json: string | null): Origin[] {
  try {
    const value: unknown = JSON.parse(json ?? '[]');
    origins(value);
    return value as Origin[];
  } catch {
    return [];
  }
}

/** What stands in the margin beside a block: the time of its first passage, its number, or that it is the writer's own. */
export function originLabel(origins: readonly Origin[]): string {
  const [origin] = origins;
  if (!origin) return 'own';
  return origin.startMs === undefined ? `¶ ${origin.first + 1}` : showTime(origin.startMs);
}

/** The id and origin marks of a block as attributes of its element. */
export const wordsToDOM = (node: PostNode) => ({
  'data-id': node.attrs.id as string,
  'data-mark': originLabel(node.attrs.origins as Origin[]),
  ...(node.attrs.origins.length ? { 'data-origins': JSON.stringify(node.attrs.origins) } : {}),
});

/** The attributes of a block without words, all in one, as an element of the editor carries them. */
export const attrsToDOM = (name: string, node: PostNode) => ({
  'data-id': node.attrs.id as string,
  [`data-${name}`]: JSON.stringify(node.attrs),
});

/** What `attrsToDOM` wrote, as far as the node takes it; false when it does not fit. */
export function attrsOfDOM(
  json: string,
  fit: (attrs: Record<string, unknown>) => Record<string, unknown>,
): Record<string, unknown> | false {
  try {
    return fit(JSON.parse(json) as Record<string, unknown>);
  } catch {
    return false;
  }
}
