import { words } from '../../language/words.ts';
import { isContentWord, normal, stem, terms } from '../../language/terms.ts';
import type { OwnBrief } from '../../post/brief.ts';

/** What holds for one piece alone, and what each is called when it is emptied. */
const OF_ONE_PIECE = {
  subject: 'subject',
  phrase: 'main phrase',
  phrases: 'phrases to use',
  links: 'links that must be in',
  unsaid: 'what must not be said',
  sections: 'what each section must be',
} as const satisfies Partial<Record<keyof OwnBrief, string>>;

/**
 * A brief to begin another piece from: what belonged to this one is emptied and named, and its words are noted, so that one of
 * them that stayed is found.
 * @param about what the piece is about: its title, headings and whatever else names its subject
 */
export function patternOf(brief: OwnBrief, name: string, about: readonly string[]): { brief: OwnBrief; emptied: string[] } {
  const emptied: string[] = [];
  const kept: OwnBrief = { ...brief };
  for (const [field, called] of Object.entries(OF_ONE_PIECE) as [keyof typeof OF_ONE_PIECE, string][]) {
    const value = kept[field];
    if (value === undefined || value.length === 0) continue;
    emptied.push(called);
    delete kept[field];
  }
  const own = [brief.subject, brief.phrase, ...(brief.phrases ?? []), ...about, ...namesIn(brief.readers), ...namesIn(brief.voice)];
  kept.pattern = { name, words: [...new Set(own.flatMap((text) => terms(text ?? '')))].slice(0, 400) };
  return { brief: kept, emptied };
}

/** A word of another piece that stayed in a brief: in which part of it, and what that says. `section`: the id of a heading. */
export type Leftover = { word: string; field: keyof OwnBrief | 'section'; section?: string; says: string; isSure: boolean };

/** What of a brief is looked through. */
export type LookedThrough = { brief: OwnBrief; sections: readonly { id: string; heading: string; says: string }[] };

/**
 * Words in a brief that this piece knows nothing of: those of the piece its pattern was made for, and names that neither
 * material nor outline holds.
 * @param known the words of this piece: material, title, what stands on the page
 */
export function leftovers({ brief, sections }: LookedThrough, known: string): Leftover[] {
  const old = new Set(brief.pattern?.words ?? []);
  const here = new Set(terms(known));
  const headings = new Set(sections.flatMap((s) => terms(s.heading)));
  const written = new Set(words(known).map((w) => normal(w.text)));
  const isKnown = (term: string) => here.has(term) || headings.has(term);
  const found: Leftover[] = [];
  const look = (field: Leftover['field'], text: string | undefined, section?: string) => {
    if (!text) return;
    const seen = new Set<string>();
    const names = new Set(namesIn(text));
    for (const { text: word } of words(text)) {
      const term = stem(word);
      const isName = names.has(word) && !written.has(normal(word).replace(/'s?$/, ''));
      const isOld = isContentWord(word) && old.has(term);
      if (seen.has(term) || isKnown(term) || !(isOld || isName)) continue;
      seen.add(term);
      found.push({ word, field, says: text, isSure: isOld, ...(section === undefined ? {} : { section }) });
    }
  };
  for (const field of ['subject', 'phrase', 'readers', 'voice', 'unsaid', 'sample'] as const) look(field, brief[field]);
  for (const field of ['phrases', 'links', 'never'] as const) for (const text of brief[field] ?? []) look(field, text);
  for (const { id, says } of sections) look('section', says, id);
  for (const { id, of } of brief.sections ?? []) look('sections', of, id);
  return found;
}

/** Words with a capital inside a sentence. */
function namesIn(text = ''): string[] {
  const all = words(text);
  return all
    .filter((w, i) => i > 0 && /^\p{Lu}\p{Ll}+/u.test(w.text) && !/[.!?:“"]\s*$/.test(text.slice(all[i - 1]!.to, w.from)))
    .map((w) => w.text);
}
