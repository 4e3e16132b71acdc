import type { Source } from '../gather/index.ts';
import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import type { Edit } from './edit.ts';
import { flowOf, type Flow } from './flow.ts';
import { usualHouse, type House } from './house.ts';
import type { MarksModel } from './marks/model.ts';

/** What repairs are found with besides the words: House style, and the network for marks if it is at hand. */
export type Tools = { house: House; model: MarksModel | null };

/** What a finder looks through: the source, its words in one flow, what was found before it, and the tools. */
export type Searched = Tools & { source: Source; flow: Flow; words: readonly Word[]; said: readonly string[]; found: readonly Edit[] };

/** A source as the finders look through it: its words where they stand, and in the form in which words are compared. */
export function materialOf(source: Source, { house = usualHouse(), model = null }: Partial<Tools> = {}): Searched {
  const flow = flowOf(source);
  const all = words(flow.text);
  return { source, flow, words: all, said: all.map((w) => normal(w.text)), found: [], house, model };
}

/** One kind of repair: looks through a source and proposes edits; what stands there before is filled in after. */
export type Finder = (material: Searched) => Omit<Edit, 'before'>[];
