/** A version as far as thinning looks at it. */
export type KeptVersion = { version: number; savedAt: Date; isHeld: boolean };

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/**
 * Which versions may go: all of the last hour stay, then the last of each hour for a day, then the last of each day.
 * Those held (named, sent, standing, the first) always stay.
 * @param versions in any order
 * @returns their numbers
 */
export function thinned(versions: readonly KeptVersion[], now: Date): number[] {
  const slots = new Set<string>();
  return [...versions]
    .sort((a, b) => b.version - a.version)
    .filter(({ savedAt, isHeld }) => {
      const age = now.getTime() - savedAt.getTime();
      if (age <= HOUR) return false;
      const width = age <= DAY ? HOUR : DAY;
      const slot = `${width}:${Math.floor(savedAt.getTime() / width)}`;
      const isLast = !slots.has(slot);
      slots.add(slot);
      return !isLast && !isHeld;
    })
    .map(({ version }) => version);
}
