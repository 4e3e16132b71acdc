import type { Usage } from './usage.ts';

// Participles that do not end in -ed (own list), and words that look like participles and tell how something is.
const IRREGULAR =
  'done made taken given seen found kept left told said sent sold held cut put set built bought brought caught chosen drawn driven eaten felt fed forgotten frozen ground hung heard hidden hit hurt known laid led lent lit lost meant paid read ridden run shaken shown shut sewn stolen struck stuck swept taught thrown torn understood wound woven worn written bent bound broken burnt';
const STATES =
  /^(?:tired|used|supposed|interested|excited|pleased|worried|scared|bored|married|retired|related|limited|needed|allowed|closed|finished|done|gone|open|crowded|aged|detailed|experienced|qualified|skilled|committed|dedicated|determined|prepared|concerned|surprised|satisfied|ashamed|naked|wicked|sacred|hundred|speed|shed|bed|red|indeed|seed|need|weed|feed|left|lost|set|shut|hurt|worn|known|stuck|broken|bent|lit|hidden|frozen|torn|red)$/i;
const PASSIVE = new RegExp(
  `\\b(?:is|are|was|were|been|being|be|am)\\s+(?:(?:not|never|always|often|usually|\\w+ly)\\s+)?(\\w{2,}ed|${IRREGULAR.split(' ').join('|')})\\b`,
  'gi',
);

/** Where a text does not say who did it. */
export function passivesIn(text: string): Usage[] {
  return Array.from(text.matchAll(PASSIVE)).flatMap((m): Usage[] =>
    STATES.test(m[1]!) ? [] : [{ rule: 'passive', from: m.index, to: m.index + m[0].length, says: '', instead: [] }],
  );
}
