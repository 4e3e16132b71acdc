import { broken, PROMISES, readingOf } from '../core/test/gather/promises.ts';
import type { Figure } from './measure.ts';

/** How much of what files of foreign programs promise stands on their pages, kind by kind. */
export async function gatherFigures(): Promise<Figure[]> {
  const kinds = new Map<string, { kept: number; promised: number; programs: Set<string> }>();
  for (const promise of PROMISES) {
    const { kind, program, file, must, never = [] } = promise;
    const sum = kinds.get(kind) ?? { kept: 0, promised: 0, programs: new Set() };
    const promised = must.length + never.length;
    sum.promised += promised;
    sum.kept += promised - broken(promise, await readingOf(file)).length;
    sum.programs.add(program);
    kinds.set(kind, sum);
  }
  return [...kinds].map(([kind, { kept, promised, programs }]) => ({
    what: `Files of foreign programs, ${kind}: promises kept`,
    value: (100 * kept) / promised,
    unit: '%',
    least: 95,
    against: `${kept} of ${promised}; ${[...programs].join(', ')}`,
  }));
}
