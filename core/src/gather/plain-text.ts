import { leadsOn } from '../language/leads-on.ts';
import { wordCount } from '../language/words.ts';
import type { Format } from './format.ts';
import type { Passage } from './source.ts';
import { splitSpeaker } from './speaker.ts';

/** Plain text: a passage per paragraph; when no blank line stands in it, a passage per line. */
export const plainText: Format = {
  kind: 'text',
  label: 'plain text',
  extensions: ['txt', 'text'],
  readings: [],
  fits: () => true,
  read: ({ text }) => ({ source: { kind: 'text', passages: plainPassages(text()) } }),
};

/** The passages of plain text. */
export function plainPassages(text: string): Passage[] {
  const body = text.trim();
  const parts = body.split(/(\n[ \t]*(?:\n[ \t]*)+)/);
  // Lines that cut sentences follow one another like those of captions; others are paragraphs.
  const between = isWrapped(body) ? '\n' : '\n\n';
  const lines = parts.length === 1 ? body.split('\n').flatMap((line) => [line, between]) : parts;
  const passages: Passage[] = [];
  for (let i = 0; i < lines.length; i += 2) {
    const gap = lines[i + 1];
    if (!lines[i]!.trim()) continue;
    passages.push({ ...splitSpeaker(lines[i]!.trim()), ...(gap && gap !== '\n\n' ? { after: gap } : {}) });
  }
  return passages;
}

// Notes on lines of their own seldom end with such a word; text that was broken at a width does once in four lines.
const FEWEST_LINES = 4;
const FEWEST_WORDS = 4;
const LEAD_ON = 0.1;

/** Whether the lines of a text break inside its sentences, as where a talk or a column was cut at a width. */
function isWrapped(body: string): boolean {
  const lines = body.split('\n').map((line) => line.trim());
  const cut = lines.slice(0, -1).filter((line, i) => leadsOn(line) && /^\p{Ll}/u.test(lines[i + 1]!)).length;
  return lines.length >= FEWEST_LINES && wordCount(body) >= lines.length * FEWEST_WORDS && cut >= lines.length * LEAD_ON;
}
