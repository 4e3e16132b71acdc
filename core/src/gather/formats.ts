import { Complaint } from '../complaint.ts';
import { mapFiles, picturesOf } from '../post/pictures.ts';
import { archive } from './archive-format.ts';
import { docx } from './docx.ts';
import type { Format, Gathered } from './format.ts';
import { html } from './html.ts';
import { mail } from './mail.ts';
import { markdown } from './markdown.ts';
import { odt } from './odt.ts';
import { opml } from './opml.ts';
import { pdf } from './pdf.ts';
import { pictureAddress } from './picture-address.ts';
import { plainText } from './plain-text.ts';
import { rawOf, refuseOthers, type Raw } from './raw.ts';
import type { Reading } from './readings.ts';
import { rtf } from './rtf.ts';
import { settled } from './speaker.ts';
import { slides } from './slides.ts';
import { sound } from './sound.ts';
import type { SourceKind } from './source.ts';
import { srt } from './srt.ts';
import { csv } from './table.ts';
import { timedText } from './timed-text.ts';
import { transcript } from './transcript.ts';
import { ttml } from './ttml.ts';
import { vtt } from './vtt.ts';

/** In the order they are asked: those told from their bytes first; the last one takes any text. */
export const FORMATS: readonly Format[] = [
  docx,
  odt,
  slides,
  archive,
  pdf,
  rtf,
  vtt,
  srt,
  ttml,
  opml,
  transcript,
  mail,
  html,
  csv,
  markdown,
  timedText,
  plainText,
];

/** The format that reads some material. Throws a Complaint when it plainly is none. */
export function formatOf(raw: Raw): Format {
  refuseOthers(raw.bytes);
  return FORMATS.find((format) => format.fits(raw))!;
}

/** What writers see of a kind of source: what it is called, and the readings to choose between. */
export type ShownKind = Pick<Format, 'label' | 'readings'>;

/** Every kind of source by its name. */
export const SHOWN_KINDS: Readonly<Record<SourceKind, ShownKind>> = {
  ...Object.fromEntries(FORMATS.map(({ kind, label, readings }) => [kind, { label, readings }])),
  recording: { label: 'recording', readings: [] },
};

/**
 * Reads material. The format is told from the bytes; the file name only helps where two look alike.
 * Throws a Complaint when nothing can be read.
 * @param address where it was fetched from
 */
export async function gather(bytes: Uint8Array, name = '', reading: Reading = 'structure', address?: string): Promise<Gathered> {
  const raw = rawOf(bytes, name, address);
  return withoutLost(await read(formatOf(raw), raw, reading));
}

/** The same by a format that was found, with pictures that only its own folder has still under their addresses there. */
export async function read(format: Format, raw: Raw, reading: Reading = 'structure'): Promise<Gathered> {
  try {
    const found = await format.read(raw, reading);
    const gathered = sound({ ...found, source: { ...found.source, passages: settled(found.source.passages) } });
    if (!gathered.source.passages.length) throw new Complaint('This file holds no words: check that it is the right one.');
    return gathered;
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    // A library gave up on it: whatever it says, the writer can do but one thing.
    throw new Complaint('This file is damaged and cannot be read: save it again where it was made, then bring it in.', { cause });
  }
}

/**
 * What was read, without the pictures that only its own folder has: they are named. A Markdown draft keeps their addresses, for it
 * goes back to where they lie.
 */
export function withoutLost(gathered: Gathered): Gathered {
  const { source, draft, notes = [] } = gathered;
  if (!draft || source.kind === 'markdown') return gathered;
  const lost = picturesOf(draft.doc).filter(({ src }) => !isElsewhere(src));
  if (!lost.length) return gathered;
  const one = lost.length === 1;
  const named = lost.flatMap(({ alt }) => alt || []).join('; ');
  const says = `${one ? 'One picture' : `${lost.length} pictures`} stayed where this came from${named && ` (${named})`}: add ${one ? 'it' : 'them'} at Dress.`;
  const doc = mapFiles(draft.doc, (src) => (isElsewhere(src) ? src : null));
  return { ...gathered, draft: { ...draft, doc }, notes: [...notes, says] };
}

/** Whether a picture stands on the web, or came along with the material. */
const isElsewhere = (src: string): boolean => /^https?:/i.test(src) || src.startsWith(pictureAddress(''));
