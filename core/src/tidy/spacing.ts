import { isTimed } from '../gather/index.ts';
import type { Finder } from './finder.ts';

type Rule = { pattern: RegExp; after: string; reason: string };

const EMPTY_LINES = 'Extra empty lines';
// In speech an empty line is an accident of the file; in writing one of them ends a paragraph.
const SPOKEN: Rule = { pattern: /[ \t]*\n(?:[ \t]*\n)+[ \t]*/g, after: ' ', reason: EMPTY_LINES };
const WRITTEN: Rule = { pattern: /[ \t]*\n(?:[ \t]*\n){2,}[ \t]*/g, after: '\n\n', reason: EMPTY_LINES };
const RULES: readonly Rule[] = [
  { pattern: /[\u00AD\u200B\u2060\uFEFF]+/g, after: '', reason: 'Characters nobody can see' },
  { pattern: /(?<=\S)[ \t\u00A0]*(?:\t|\u00A0|[ ]{2})[ \t\u00A0]*(?=\S)/g, after: ' ', reason: 'More space than one' },
  { pattern: /(?<=[\p{L}\p{N}])[ \t]+(?=[,;!?](?:\s|$)|\.(?:\s|$))/gu, after: '', reason: 'A space before a mark' },
];

/** Spacing: extra empty lines, double spaces, tabs, invisible characters, a space before a full stop or comma. */
export const spacing: Finder = ({ source, flow }) =>
  [isTimed(source) ? SPOKEN : WRITTEN, ...RULES].flatMap(({ pattern, after, reason }) =>
    Array.from(flow.text.matchAll(pattern), (m) => ({
      kind: 'spacing' as const,
      from: m.index,
      to: m.index + m[0].length,
      after,
      reason,
    })),
  );
