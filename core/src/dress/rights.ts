import { mixed, object, string, type InferType } from 'yup';
import { LICENCE_NAMES, LICENCES, type LicenceName, licenceNamed } from './licences.ts';

/** Whose a picture is, and under what terms it may be shown. */
export const rightsSchema = object({
  licence: mixed<LicenceName>().oneOf(LICENCE_NAMES, 'Choose one of the licences.').required().default('unknown'),
  /** Who is named under it: the maker, as the licence or the maker wishes. */
  credit: string().trim().defined().default('').max(200, 'A credit has at most 200 characters.'),
  /** Where it was found. */
  source: string().trim().defined().default('').max(500, 'A source has at most 500 characters.'),
  /** Who holds the rights. */
  holder: string().trim().defined().default('').max(200, 'A holder has at most 200 characters.'),
}).noUnknown();

export type Rights = InferType<typeof rightsSchema>;

export const NO_RIGHTS: Rights = rightsSchema.getDefault();

/** The line that names the maker under a picture; empty where nobody asks for one and nobody is named. */
export function creditLine({ licence, credit, holder }: Rights): string {
  const name = credit || holder;
  const { needsCredit, says } = LICENCES[licence];
  if (!needsCredit) return name && licence !== 'own' ? `Picture: ${name}` : '';
  return `Picture: ${name || 'maker not named'}, ${says}`;
}

/** What is missing before a picture may be shown; empty when nothing is. */
export function rightsWanting({ licence, credit, holder }: Rights): string {
  if (licence === 'unknown') return 'Nobody knows under what licence this picture may be shown';
  if (LICENCES[licence].needsCredit && !credit && !holder) return 'The licence asks that the maker is named, and nobody is';
  return '';
}

type Stated = Record<string, unknown>;

/** What one or more fields of metadata say, as words. */
function said(stated: Stated, ...names: string[]): string {
  for (const name of names) {
    const found = [stated[name]].flat().map((value) => (typeof value === 'object' && value ? (value as { value?: unknown }).value : value));
    const words = found.filter((value) => typeof value === 'string' && value.trim()).join(', ');
    if (words) return words.trim();
  }
  return '';
}

/**
 * The rights that a picture file states. The fields are those of IPTC Photo Metadata Standard 2023.1 (creator, credit line,
 * copyright notice, rights usage terms, web statement of rights), in IPTC-IIM, XMP and EXIF.
 * @param stated the fields by name, of all three, as a reader of metadata gives them
 */
export function rightsStated(stated: Stated): Rights {
  const terms = [
    said(stated, 'WebStatement'),
    said(stated, 'license', 'licence'),
    said(stated, 'UsageTerms'),
    said(stated, 'rights', 'CopyrightNotice', 'Copyright'),
  ];
  const licence = terms.map(licenceNamed).find((name) => name !== 'unknown') ?? 'unknown';
  const own = {
    licence,
    credit: said(stated, 'Credit', 'creator', 'Byline', 'Artist').slice(0, 200),
    source: said(stated, 'Source', 'WebStatement').slice(0, 500),
    holder: said(stated, 'CopyrightNotice', 'rights', 'Copyright').slice(0, 200),
  };
  return rightsSchema.cast(own);
}
