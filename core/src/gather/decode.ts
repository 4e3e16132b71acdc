import { Complaint } from '../complaint.ts';

// A web page or a mail with its pictures inside may be this large; unpacked from an archive it could be anything.
const MOST_BYTES = 30 * 1024 * 1024;

/**
 * Bytes to text with plain line ends. UTF-8 and UTF-16 are told by their byte order mark or their bytes;
 * what is not valid UTF-8 is read as it declares itself in `<meta>` or an XML declaration, else as Windows-1252. Throws a Complaint for empty, binary and huge files.
 */
export function decode(bytes: Uint8Array): string {
  if (bytes.length === 0) throw new Complaint('This file is empty: save it again where it was made, then bring it in.');
  if (bytes.length > MOST_BYTES)
    throw new Complaint('This file holds more text than can be read at once (30 MB): bring in the part you need.');
  const text = read(bytes)
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n');
  const sample = text.slice(0, 4000);
  // eslint-disable-next-line no-control-regex -- control characters are what gives a binary file away
  const odd = sample.match(/[\u0000-\u0008\u000E-\u001A\uFFFD]/g)?.length ?? 0;
  if (odd > Math.max(3, sample.length / 100)) {
    throw new Complaint('This file holds no text that can be read: bring captions, notes or a Markdown draft.');
  }
  if (!text.trim()) throw new Complaint('This file holds no words: check that it is the right one.');
  // No text means a NUL, and no database keeps one.
  return text.replaceAll('\0', '');
}

function read(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const half = bytes.subarray(0, 2000);
  const zeros = [0, 0];
  half.forEach((byte, i) => byte === 0 && zeros[i % 2]!++);
  if (zeros[1]! > half.length / 4 && zeros[0]! === 0) return new TextDecoder('utf-16le').decode(bytes);
  if (zeros[0]! > half.length / 4 && zeros[1]! === 0) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return decoderFor(declared(bytes))(bytes);
  }
}

// A page says how it is written in its first bytes (HTML Standard, prescan a byte stream).
const PRESCAN = 1024;
const DECLARED = /^\s*<\?xml[^>]*\bencoding\s*=\s*["']([\w.:-]+)|<meta\b[^>]*\bcharset\s*=\s*["']?\s*([\w.:-]+)/i;

/** The encoding a page or an XML file declares; Windows-1252 without one. */
function declared(bytes: Uint8Array): string {
  const [, xml, meta] = DECLARED.exec(String.fromCharCode(...bytes.subarray(0, PRESCAN))) ?? [];
  return xml ?? meta ?? USUAL;
}

const USUAL = 'windows-1252';

/**
 * What turns bytes of an encoding into text; an unknown label (WHATWG Encoding Standard) is read as Windows-1252.
 * With `stream` a letter of several bytes may come in several pieces.
 */
export function decoderFor(label: string): (bytes: Uint8Array, stream?: boolean) => string {
  let decoder: TextDecoder;
  try {
    decoder = new TextDecoder(label);
  } catch {
    decoder = new TextDecoder(USUAL);
  }
  const isUsual = decoder.encoding === USUAL;
  return (bytes, stream = false) => {
    const text = decoder.decode(bytes, { stream });
    return isUsual ? withLetters(text) : text;
  };
}

/** Text with the 32 letters of Windows-1252 that Node 20 and old programs take for control characters. */
export const withLetters = (text: string): string => text.replace(/[\u0080-\u009F]/g, (c) => WINDOWS_1252[c.charCodeAt(0) - 0x80]!);

// Bytes 0x80 to 0x9F (WHATWG Encoding Standard, index windows-1252).
const WINDOWS_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008DŽ\u008F\u0090‘’“”•–—˜™š›œ\u009DžŸ';
