import { pasted } from '$lib/ask-server.ts';

/** What a paste or a drop brings: files (pasted words are one), or a web address to fetch. */
export type Brought = { files: File[] } | { address: string };

// What makes it worth keeping the markup of a paste: structure, not only fonts and colours.
const STRUCTURE = /<(?:h[1-6]|ul|ol|li|table|img|blockquote|a\s[^>]*href|strong|em|b|i)[\s>]/i;

/** Reads a paste or a drop; null when it brings nothing. Words that come with a structure come with it. */
export function broughtBy(data: DataTransfer | null): Brought | null {
  if (!data) return null;
  const html = data.getData('text/html');
  const text = data.getData('text/plain');
  // Office programs put a picture of the words beside the words.
  if (data.files.length && !html) return { files: [...data.files] };
  if (html && STRUCTURE.test(html)) return { files: [pastedRich(html)] };
  if (/^https?:\/\/\S+$/i.test(text.trim())) return { address: text.trim() };
  if (text.trim()) return { files: [pasted(text)] };
  return data.files.length ? { files: [...data.files] } : null;
}

/** Pasted markup as a file without a name of its own. */
export const pastedRich = (html: string): File => new File([html], 'pasted.html', { type: 'text/html' });

/** Whether a paste is meant for a field or for the page, which take it themselves. */
export const isForField = (event: ClipboardEvent): boolean =>
  event.target instanceof HTMLElement && event.target.closest('input, textarea, [contenteditable]') !== null;
