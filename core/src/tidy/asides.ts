import { isTimed } from '../gather/index.ts';
import type { Finder } from './finder.ts';
import { said } from './tidied-sentences.ts';

/** What talk about the talk sounds like, and what it is called (own list; common practice, no source). */
const KINDS: readonly [pattern: RegExp, reason: string][] = [
  [
    /\b(?:hello|hi|hey|good (?:morning|evening|afternoon)|welcome(?: back)?)\b(?:[^.?!]{0,40}\b(?:everyone|everybody|all|folks|friends|there|again|to (?:the|our|my|this|another)|back)\b|$)/i,
    'A greeting',
  ],
  [/\bcan (?:you|everybody|everyone|people)(?: all)? (?:hear|see) (?:me|us|this|that|my screen)\b/i, 'Talk about the talk'],
  [
    /\b(?:subscribe|hit the (?:bell|like)|like and (?:share|subscribe)|leave (?:a|your) comments?|comments? (?:down )?below|link(?:s)? (?:is |are )?(?:in the description|down below)|follow (?:me|us) on|my channel|this channel|sign up (?:to|for) (?:my|our|the) newsletter)\b/i,
    'Asks for followers',
  ],
  [
    /\b(?:sponsor(?:ed|s)?(?: of| by|\b)|brought to you by|use (?:the |my )?code|discount code|today's partner|special offer for (?:listeners|viewers))\b/i,
    'A sponsor',
  ],
  [
    /\b(?:as (?:you can|we can|you) see (?:here|on|in)(?: the| this| my)? ?(?:screen|slide|picture|chart|video)?|on (?:the|this|my) (?:next )?(?:screen|slide)\b|next slide|let me share my screen|is my screen|you should (?:now )?see)\b/i,
    'Points at a screen',
  ],
  [
    /\b(?:thank(?:s| you)(?: so much| very much| all)? for (?:watching|listening|coming|joining|having me|being here|tuning in)|see you (?:next|in the next|all|again|soon)|until next time|(?:that's|that is) (?:all|it) for (?:today|tonight|now|this)|goodbye|bye(?: bye| everyone| everybody|$)|good ?night|safe home)\b/i,
    'A sign-off',
  ],
  [
    /\b(?:is this (?:thing )?on|mind the cable|are we recording|is it recording|sorry about (?:the|that) (?:noise|sound|mic)|testing testing|one two one two|we'll (?:start|begin) in (?:a|one|two|five)|let's wait (?:a|for)|the toilets are|fire exits?|put your phones? (?:on silent|away))\b/i,
    'Talk about the talk',
  ],
];
const LONGEST = 32;
// A greeting that goes on for longer has come to its subject.
const LONGEST_GREETING = 14;
const SHORTEST = 2;

/**
 * Asides: greetings, calls to subscribe, sponsors, sign-offs, pointing at a screen. Speech only; a whole sentence each,
 * with the word or two that answer it ("Good.").
 */
export const asides: Finder = (material) => {
  if (!isTimed(material.source) && material.source.kind !== 'text') return [];
  const all = said(material);
  const reasons = all.map(({ text, words }) =>
    words > LONGEST
      ? undefined
      : KINDS.filter(([, reason]) => words <= LONGEST_GREETING || reason !== 'A greeting').find(([pattern]) =>
          pattern.test(text.replaceAll('’', "'").replaceAll(',', '')),
        )?.[1],
  );
  all.forEach(({ words }, i) => {
    if (!reasons[i] && words <= SHORTEST && reasons[i - 1]) reasons[i] = reasons[i - 1];
  });
  return all.flatMap(({ from, to }, i) => (reasons[i] ? [{ kind: 'asides' as const, from, to, after: '', reason: reasons[i]! }] : []));
};
