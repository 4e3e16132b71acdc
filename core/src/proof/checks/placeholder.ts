import { type Check, PRACTICE } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

const PLACEHOLDER =
  /\blorem ipsum\b|\b(?:TODO|TBD|TBC|FIXME|XXX+)\b|\[(?:[^\]]*\b(?:name|date|link|number|insert|add|here|placeholder|tbc|picture)\b[^\]]*)\]|<(?:insert|add|name|date)\b[^>]*>|\bplaceholder text\b|\?{3,}|_{4,}/giu;

export const placeholder: Check = {
  name: 'placeholder',
  kind: 'whole',
  gravity: 'must',
  why: 'Words that stood there for others to come are the first thing readers laugh about.',
  source: PRACTICE,
  run: eachMatch(PLACEHOLDER, ({ 0: words }) => ({
    says: `“${words}” is still there`,
    hint: 'Write what belongs there, or take it out.',
  })),
};
