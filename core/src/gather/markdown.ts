import { parse as parseToml } from 'smol-toml';
import { parse } from 'yaml';
import type { Details } from '../post/details.ts';
import { parseMarkdown } from '../post/markdown.ts';
import { draftOf, plainWords } from './draft.ts';
import { pageOfMarkdown } from './markdown-parts.ts';
import { isNamedAs, type Format } from './format.ts';
import { plainPassages } from './plain-text.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';

const FRONT_MATTER = /^---[ \t]*\n([^]*?)\n(?:---|\.\.\.)[ \t]*(?:\n|$)|^\+\+\+[ \t]*\n([^]*?)\n\+\+\+[ \t]*(?:\n|$)/;

/** A Markdown draft or outline, with front matter in YAML or TOML if it has one: a passage per block, and the page itself. */
export const markdown: Format = {
  kind: 'markdown',
  label: 'draft in Markdown',
  extensions: ['md', 'markdown', 'mkd'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ text: words, name }) => {
    const text = words();
    if (isNamedAs(markdown, name)) return true;
    if (FRONT_MATTER.test(text) && frontMatter(text)) return true;
    const lines = text.split('\n').filter((l) => l.trim());
    const items = lines.filter((l) => /^\s*(?:[-*+]|\d{1,3}[.)])\s+\S/.test(l)).length;
    return lines.some((l) => /^#{1,6}\s+\S/.test(l)) || (items >= 3 && items >= lines.length / 3);
  },
  read: ({ text }, reading) => {
    const body = text();
    const front = frontMatter(body);
    const doc = pageOfMarkdown(parseMarkdown(front ? body.replace(FRONT_MATTER, '') : body));
    const details = detailsOf(front ?? {});
    if (reading === 'plain')
      return { source: { kind: 'markdown', passages: plainPassages(plainWords(doc)), ...(details.title ? { title: details.title } : {}) } };
    return draftOf('markdown', doc, details);
  },
};

// The front matter as an object; null when there is none, or it is none and so belongs to the text.
function frontMatter(text: string): Record<string, unknown> | null {
  const m = FRONT_MATTER.exec(text);
  if (!m) return null;
  try {
    const value: unknown = m[1] === undefined ? parseToml(m[2]!) : parse(m[1]);
    return value && typeof value === 'object' && !Array.isArray(value) ? (value as Record<string, unknown>) : null;
  } catch {
    return null;
  }
}

/** The details front matter states, under the names common in Markdown files; what does not fit is left out. */
function detailsOf(front: Record<string, unknown>): Partial<Details> {
  const text = (...names: string[]) => {
    const value = names.map((n) => front[n]).find((v) => typeof v === 'string' || typeof v === 'number');
    return value === undefined ? undefined : String(value).trim();
  };
  const list = (value: unknown) =>
    (Array.isArray(value) ? value : typeof value === 'string' ? value.split(',') : []).map((v) => String(v).trim()).filter(Boolean);
  const found = {
    title: text('title'),
    standfirst: text('standfirst', 'subtitle'),
    slug: text('slug')?.toLowerCase(),
    description: text('description', 'summary', 'excerpt'),
    summary: text('summary', 'excerpt'),
    byline: text('byline', 'author'),
    category: text('category') ?? list(front.categories)[0],
    tags: front.tags === undefined ? undefined : list(front.tags),
  };
  if (found.slug && !/^[\p{Ll}\p{N}]+(?:-[\p{Ll}\p{N}]+)*$/u.test(found.slug)) delete found.slug;
  return Object.fromEntries(Object.entries(found).filter(([, v]) => v !== undefined && v !== ''));
}
