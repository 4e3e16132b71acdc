import type { Source } from '../gather/source.ts';
import { paragraphBreaks, sentenceBreaks } from './breaks.ts';
import { doubled } from './doubled.ts';
import type { Edit } from './edit.ts';
import { fillers } from './fillers.ts';
import { flowOf, type Flow } from './flow.ts';
import { spacing } from './spacing.ts';

/** One kind of repair: looks through a source and proposes edits; what stands there before is filled in after. */
export type Finder = (material: { source: Source; flow: Flow }) => Omit<Edit, 'before'>[];

// In this order: where two proposals touch the same letters, the earlier finder's holds.
const FINDERS: readonly Finder[] = [paragraphBreaks, doubled, fillers, spacing, sentenceBreaks];

/** Every repair proposed for a source, in the order of the text, none overlapping another. */
export function findEdits(source: Source): Edit[] {
  const flow = flowOf(source);
  const taken = new Uint8Array(flow.text.length + 1);
  const found: Edit[] = [];
  for (const find of FINDERS) {
    for (const edit of find({ source, flow })) {
      if (taken.subarray(edit.from, edit.to).includes(1)) continue;
      taken.fill(1, edit.from, edit.to);
      found.push({ ...edit, before: flow.text.slice(edit.from, edit.to) });
    }
  }
  return found.sort((a, b) => a.from - b.from);
}
