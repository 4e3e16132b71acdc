import { disagreementsIn } from './agreement.ts';
import { confusionsIn } from './confusions.ts';
import { hedgesIn } from './hedges.ts';
import { insensitiveIn } from './insensitive.ts';
import { marksIn } from './marks.ts';
import { passivesIn } from './passives.ts';
import type { Usage } from './usage.ts';

/** Words that do not agree, words confused, marks, passive voice, hedges and insensitive words of a text. */
export const usageOf = (text: string): Usage[] => [
  ...disagreementsIn(text),
  ...confusionsIn(text),
  ...marksIn(text),
  ...passivesIn(text),
  ...hedgesIn(text),
  ...insensitiveIn(text),
];
