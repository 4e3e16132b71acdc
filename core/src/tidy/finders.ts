import type { Source } from '../gather/source.ts';
import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import { asides } from './asides.ts';
import { paragraphBreaks, sentenceBreaks } from './breaks.ts';
import { begunTwice, cutOff, doubled } from './doubled.ts';
import { isMark, type Edit } from './edit.ts';
import { fillers } from './fillers.ts';
import { flowOf, type Flow } from './flow.ts';
import { usualHouse, type House } from './house.ts';
import { junk } from './junk.ts';
import { sentenceMarks } from './marks/finder.ts';
import type { MarksModel } from './marks/model.ts';
import { names } from './names.ts';
import { padding } from './padding.ts';
import { spacing } from './spacing.ts';
import { suspects } from './suspects.ts';

/** What repairs are found with besides the words: House style, and the network for marks if it is at hand. */
export type Tools = { house: House; model: MarksModel | null };

/** What a finder looks through: the source, its words in one flow, what was found before it, and the tools. */
export type Material = Tools & { source: Source; flow: Flow; words: readonly Word[]; said: readonly string[]; found: readonly Edit[] };

/** A source as the finders look through it: its words where they stand, and in the form in which words are compared. */
export function materialOf(source: Source, { house = usualHouse(), model = null }: Partial<Tools> = {}): Material {
  const flow = flowOf(source);
  const all = words(flow.text);
  return { source, flow, words: all, said: all.map((w) => normal(w.text)), found: [], house, model };
}

/** One kind of repair: looks through a source and proposes edits; what stands there before is filled in after. */
export type Finder = (material: Material) => Omit<Edit, 'before'>[];

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
  const material: Material = { ...materialOf(source, tools), found };
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
