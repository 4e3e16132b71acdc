import type { Origin, PostNode } from '../post/schema.ts';
import { hasOrigins } from '../post/origins.ts';
import type { Compared } from './comparing.ts';

/**
 * What stands when a part of a proposal is taken: of each place where it differs, by its number among those compared, the new
 * or what was there. A block that was changed keeps its id, and its origin marks where the new one has none.
 * @param compared what `compare` says of the two
 */
export function taken(was: PostNode, now: PostNode, compared: readonly Compared[], isTaken: (row: number) => boolean): PostNode[] {
  return compared.flatMap((row, n): PostNode[] => {
    const before = row.was === null ? null : was.child(row.was);
    const after = row.is === null ? null : now.child(row.is);
    if (before && after) return [isTaken(n) || row.how === 'same' ? inPlaceOf(before, after) : before];
    if (after) return isTaken(n) ? [after] : [];
    return isTaken(n) ? [] : [before!];
  });
}

/** A block that stands where another stood. */
function inPlaceOf(before: PostNode, after: PostNode): PostNode {
  const own = (after.attrs.origins ?? []) as Origin[];
  const origins = hasOrigins(after) && !own.length && hasOrigins(before) ? { origins: before.attrs.origins as Origin[] } : {};
  return after.type.create({ ...after.attrs, ...origins, id: before.attrs.id as string }, after.content, after.marks);
}
