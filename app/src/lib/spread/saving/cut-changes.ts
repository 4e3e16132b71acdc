import type { EditChange } from '@even-page/core/tidy';

/** Changes of repairs in two parts: as many repairs as one save takes, and those left for the next. */
export function cutChanges(changes: readonly EditChange[], most: number): [EditChange[], EditChange[]] {
  const [now, later]: [EditChange[], EditChange[]] = [[], []];
  let room = most;
  for (const { source, take, drop } of changes) {
    const dropped = drop.slice(0, room);
    const taken = take.slice(0, room - dropped.length);
    room -= dropped.length + taken.length;
    if (dropped.length || taken.length) now.push({ source, take: taken, drop: dropped });
    const [dropLater, takeLater] = [drop.slice(dropped.length), take.slice(taken.length)];
    if (dropLater.length || takeLater.length) later.push({ source, take: takeLater, drop: dropLater });
  }
  return [now, later];
}
