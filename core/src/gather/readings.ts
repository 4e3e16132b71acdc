import type { SourceKind } from './source.ts';

/**
 * How material with a structure is read: with its structure, as plain words, a web page or a mail with all that stands around its text,
 * or a table as a list with one row a point.
 */
export const READINGS = ['structure', 'plain', 'whole', 'list'] as const;
export type Reading = (typeof READINGS)[number];

const BOTH: readonly Reading[] = ['structure', 'plain'];
const OFFERED: Partial<Record<SourceKind, readonly Reading[]>> = {
  markdown: BOTH,
  html: ['structure', 'whole', 'plain'],
  docx: BOTH,
  odt: BOTH,
  rtf: BOTH,
  pdf: BOTH,
  slides: BOTH,
  mail: ['structure', 'whole', 'plain'],
  opml: BOTH,
  csv: ['structure', 'list', 'plain'],
};

/** The readings a writer can choose between for a source of this kind, the usual one first; none where there is but one. */
export const readingsOf = (kind: SourceKind): readonly Reading[] => OFFERED[kind] ?? [];
