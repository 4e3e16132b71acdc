import { confusionsIn } from './confusions.ts';
import { hedgesIn } from './hedges.ts';
import { insensitiveIn } from './insensitive.ts';
import { passivesIn } from './passives.ts';
import type { Usage } from './usage.ts';

/** Words confused, passive voice, hedges and insensitive words of a text. */
export const usageOf = (text: string): Usage[] => [...confusionsIn(text), ...passivesIn(text), ...hedgesIn(text), ...insensitiveIn(text)];
