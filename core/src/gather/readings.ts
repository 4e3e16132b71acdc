/**
 * How material with a structure is read: with its structure, as plain words, a web page or a mail with all that stands around its text,
 * or a table as a list with one row a point.
 */
export const READINGS = ['structure', 'plain', 'whole', 'list'] as const;
export type Reading = (typeof READINGS)[number];

/** A reading as it is offered to the writer. */
export type OfferedReading = { name: Reading; label: string };

const STRUCTURE: OfferedReading = { name: 'structure', label: 'Keep structure' };
export const PLAIN: OfferedReading = { name: 'plain', label: 'Plain words' };

/** What most formats with a structure offer. */
export const STRUCTURE_OR_PLAIN: readonly OfferedReading[] = [STRUCTURE, PLAIN];

/** What a format offers whose text stands among other things, under the name of what it then is. */
export const structureWholeOrPlain = (label: string): readonly OfferedReading[] => [STRUCTURE, { name: 'whole', label }, PLAIN];
