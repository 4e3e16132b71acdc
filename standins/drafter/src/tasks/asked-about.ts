import { dice } from '@even-page/core/language/dice';
import { terms } from '@even-page/core/language/terms';
import { schema, type PostNode } from '@even-page/core/post/schema';

/** What readers ask about a subject (own list; common practice, no source); `*` is the subject. */
export const READERS_ASK: readonly string[] = [
  'How to begin with *',
  'Why * matters',
  'What goes wrong with *',
  'When not to bother with *',
  'First steps in *',
  '*: what to look for',
  'What * costs, and where to save',
  'Five questions about *, answered',
  '*, step by step',
  'What comes after *',
  'Who to ask about *',
  'Mistakes with * and how to mend them',
  'What nobody tells you about *',
];

/** What readers ask, said of a subject. */
export function askedAbout(subject: string): string[] {
  const inside = /^[A-Z][a-z]/.test(subject) ? subject.charAt(0).toLowerCase() + subject.slice(1) : subject;
  return READERS_ASK.map((ask) => ask.replace('*', inside)).map((ask) => ask.charAt(0).toUpperCase() + ask.slice(1));
}

const DOUBLE = 0.75;

/** Those of some lines about a subject that say what no other says, nor one that is written already. */
export function withoutDoubles(lines: readonly string[], written: readonly string[], subject: string): string[] {
  const common = new Set(terms(subject));
  // What all of them are about does not tell them apart.
  const own = (line: string) => {
    const stems = terms(line);
    return {
      line: line.toLowerCase(),
      isAbout: [...common].every((s) => stems.includes(s)),
      rest: new Set(stems.filter((s) => !common.has(s))),
    };
  };
  const said = written.map(own);
  return lines.filter((line) => {
    const one = own(line);
    const isDouble = (other: ReturnType<typeof own>) =>
      other.line === one.line || (other.isAbout === one.isAbout && one.rest.size > 0 && dice(one.rest, other.rest) >= DOUBLE);
    if (said.some(isDouble)) return false;
    said.push(one);
    return true;
  });
}

/** Lines as a list. */
export const listOf = (lines: readonly string[]): PostNode =>
  schema.node(
    'bulletList',
    null,
    lines.map((line) => schema.node('listItem', null, schema.node('paragraph', null, schema.text(line)))),
  );
