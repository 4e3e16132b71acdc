import type { Source } from '../gather/index.ts';
import { asides } from './asides.ts';
import { paragraphBreaks, sentenceBreaks } from './breaks.ts';
import { begunTwice, cutOff, doubled } from './doubled.ts';
import { isMark, type Edit } from './edit.ts';
import { materialOf, type Finder, type Searched, type Tools } from './finder.ts';
import { fillers } from './fillers.ts';
import { junk } from './junk.ts';
import { sentenceMarks } from './marks/finder.ts';
import { names } from './names.ts';
import { padding } from './padding.ts';
import { spacing } from './spacing.ts';
import { suspects } from './suspects.ts';

// In this order: where two proposals touch the same letters, the earlier finder's holds.
const FINDERS: readonly Finder[] = [
  names,
  cutOff,
  doubled,
  begunTwice,
  fillers,
  padding,
  sentenceMarks,
  junk,
  paragraphBreaks,
  spacing,
  sentenceBreaks,
  suspects,
  asides,
];

/** Every repair proposed for a source, in the order of the text; none but marks overlap another. */
export function findEdits(source: Source, tools: Partial<Tools> = {}): Edit[] {
  const found: Edit[] = [];
  const material: Searched = { ...materialOf(source, tools), found };
  const { flow } = material;
  const taken = new Uint8Array(flow.text.length + 1);
  for (const find of FINDERS) {
    for (const edit of find(material)) {
      if (!isMark(edit)) {
        if (taken.subarray(edit.from, edit.to).includes(1)) continue;
        taken.fill(1, edit.from, edit.to);
      }
      found.push({ ...edit, before: flow.text.slice(edit.from, edit.to) });
    }
  }
  return found.sort((a, b) => a.from - b.from || a.to - b.to);
}
