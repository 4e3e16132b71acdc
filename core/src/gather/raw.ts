import { Complaint } from '../complaint.ts';
import { decode } from './decode.ts';

/** Material as it came in: its bytes, the name of its file if it had one, and its text once somebody asks. */
export type Raw = {
  bytes: Uint8Array;
  name: string;
  /** The web address it was fetched from, if it was. */
  address?: string;
  /** The words of a text file; throws a Complaint when the bytes are no text. */
  text: () => string;
};

export function rawOf(bytes: Uint8Array, name: string, address?: string): Raw {
  let text: string | undefined;
  return { bytes, name, ...(address ? { address } : {}), text: () => (text ??= decode(bytes)) };
}

/** Whether bytes begin with these (given as Latin-1 letters). */
export function beginsWith(bytes: Uint8Array, letters: string, at = 0): boolean {
  return bytes.length >= at + letters.length && Array.from(letters).every((letter, i) => bytes[at + i] === letter.charCodeAt(0));
}

/** Whether bytes are those of a ZIP archive, in which office documents lie too. */
export const isZip = (bytes: Uint8Array): boolean => beginsWith(bytes, 'PK\x03\x04') || beginsWith(bytes, 'PK\x05\x06');

/** Files of which people bring one by mistake, told from their first bytes, and what to do with them. */
const ELSEWHERE: readonly [letters: string, says: string][] = [
  [
    '\xd0\xcf\x11\xe0',
    'This is an office file of the old kind (.doc, .ppt, .xls): save it as .docx or PDF where it was made, then bring that in.',
  ],
  ['\x89PNG', 'This is a picture: bring it in at Dress, or put it onto the page.'],
  ['\xff\xd8\xff', 'This is a picture: bring it in at Dress, or put it onto the page.'],
  ['GIF8', 'This is a picture: bring it in at Dress, or put it onto the page.'],
  ['Rar!', 'This is an archive of a kind that is not read here: pack it as ZIP, or bring in its files one by one.'],
  ['7z\xbc\xaf', 'This is an archive of a kind that is not read here: pack it as ZIP, or bring in its files one by one.'],
  ['\x1f\x8b', 'This is a packed file: unpack it first, then bring in what was inside.'],
];

/** Throws a Complaint when the bytes are plainly no material. */
export function refuseOthers(bytes: Uint8Array): void {
  const found = ELSEWHERE.find(([letters]) => beginsWith(bytes, letters));
  if (found) throw new Complaint(found[1]);
}
