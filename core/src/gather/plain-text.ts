import type { Format } from './formats.ts';
import type { Passage } from './source.ts';
import { splitSpeaker } from './speaker.ts';

/** Plain text: a passage per paragraph; when no blank line stands in it, a passage per line. */
export const plainText: Format = {
  kind: 'text',
  fits: () => true,
  read: ({ text }) => ({ source: { kind: 'text', passages: plainPassages(text()) } }),
};

/** The passages of plain text. */
export function plainPassages(text: string): Passage[] {
  const body = text.trim();
  const parts = body.split(/(\n[ \t]*(?:\n[ \t]*)+)/);
  const lines = parts.length === 1 ? body.split('\n').flatMap((line) => [line, '\n\n']) : parts;
  const passages: Passage[] = [];
  for (let i = 0; i < lines.length; i += 2) {
    const gap = lines[i + 1];
    if (!lines[i]!.trim()) continue;
    passages.push({ ...splitSpeaker(lines[i]!.trim()), ...(gap && gap !== '\n\n' ? { after: gap } : {}) });
  }
  return passages;
}
