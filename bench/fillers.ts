import { readFileSync } from 'node:fs';
import { words } from '@even-page/core/language/words';
import { findEdits } from '../core/src/tidy/finders.ts';
import { score, type Score } from './score.ts';

/** A text in which a reader has put braces around every filler, doubled word and false start that should go. */
const marked = readFileSync(new URL('texts/fillers.txt', import.meta.url), 'utf8');

/** How well the fillers to go are told from the words that carry something, counted in words. */
export function fillerScore(): Score & { words: number } {
  let text = '';
  const gold = new Set<number>();
  for (const part of marked.split(/(\{[^}]*\})/)) {
    const isGone = part.startsWith('{');
    const own = isGone ? part.slice(1, -1) : part;
    for (let i = 0; isGone && i < own.length; i++) gold.add(text.length + i);
    text += own;
  }
  const all = words(text);
  const source = {
    kind: 'text' as const,
    passages: text
      .trim()
      .split(/\n\s*\n/)
      .map((p) => ({ text: p })),
  };
  const gone = new Set<number>();
  for (const e of findEdits(source).filter((e) => e.kind === 'fillers' || e.kind === 'doubled')) {
    for (let i = e.from; i < e.to; i++) gone.add(i);
  }
  const wanted = all.map((w) => gold.has(w.from));
  const found = all.map((w) => gone.has(w.from) && gone.has(w.to - 1));
  if (process.env.SHOW)
    all.forEach((w, i) => {
      if (wanted[i] !== found[i])
        console.log(wanted[i] ? 'missed' : 'false', '…', text.slice(w.from - 40, w.from), `[${w.text}]`, text.slice(w.to, w.to + 30));
    });
  return { ...score(found, wanted), words: all.length };
}
