import { withFilesAlong } from '@even-page/core/dress';
import { slugOf } from '@even-page/core/language/slug';
import type { Details } from '@even-page/core/post/details';
import type { PostNode } from '@even-page/core/post/schema';
import type { proofReport } from '@even-page/core/proof';
import type { OutlineFile } from '@even-page/core/shape';

const TYPES = { md: 'text/markdown;charset=utf-8', html: 'text/html;charset=utf-8' } as const;
const OUTLINE_TYPES: Record<OutlineFile, string> = {
  opml: 'text/x-opml',
  list: TYPES.md,
  headings: TYPES.md,
  lines: 'text/plain;charset=utf-8',
};

/** What writes the files, fetched once. */
const filesReady = () => import('./post-files.ts');

/** The post as the text of a file. */
export async function fileText(to: 'md' | 'html', details: Details, page: PostNode): Promise<string> {
  const { htmlFile, markdownFile } = await filesReady();
  return (to === 'md' ? markdownFile : htmlFile)(details, page);
}

/** Hands the outline of the post to the browser as a file to keep. */
export async function takeOutlineAlong(as: OutlineFile, { title, slug }: Details, page: PostNode): Promise<void> {
  const { OUTLINE_FILES, outlineFile } = await filesReady();
  const name = `${slug || slugOf(title) || 'post'}-outline.${OUTLINE_FILES[as]}`;
  hand(name, new Blob([outlineFile(page, title, as)], { type: OUTLINE_TYPES[as] }));
}

/** Hands what a proof found to the browser as a page to keep, to pass on or to print. */
export async function takeReportAlong(reported: Omit<Parameters<typeof proofReport>[0], 'when'>): Promise<void> {
  const { proofReport } = await filesReady();
  const when = new Date().toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' });
  hand(`${slugOf(reported.title) || 'post'}-proof.html`, new Blob([proofReport({ ...reported, when })], { type: TYPES.html }));
}

/** Hands the post to the browser as a file to keep; with pictures, as a ZIP of the file and its pictures. */
export async function takeAlong(to: 'md' | 'html', details: Details, page: PostNode): Promise<void> {
  const { doc, files } = withFilesAlong(page);
  const name = details.slug || slugOf(details.title) || 'post';
  const text = await fileText(to, details, doc);
  if (!files.length) return hand(`${name}.${to}`, new Blob([text], { type: TYPES[to] }));
  const parts: Record<string, Uint8Array> = { [`${name}.${to}`]: new TextEncoder().encode(text) };
  for (const { src, path } of files) parts[path] = new Uint8Array(await (await fetch(src)).arrayBuffer());
  const { zipSync } = await filesReady();
  // Pictures are packed already: stored as they are.
  const zip = zipSync(parts, { level: 0 });
  hand(`${name}.zip`, new Blob([new Uint8Array(zip)], { type: 'application/zip' }));
}

function hand(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The download has read the address by the next turn of the loop.
  setTimeout(() => URL.revokeObjectURL(url));
}
