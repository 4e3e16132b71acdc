import { readFileSync } from 'node:fs';
import { words } from '@even-page/core/language/words';
import { findEdits } from '../core/src/tidy/finders.ts';
import { usualHouse } from '../core/src/tidy/house.ts';
import type { MarksModel } from '../core/src/tidy/marks/model.ts';
import type { Score } from './score.ts';

// Names and terms of House style for this set; no rule of the finder knows them.
const NAMES =
  'Mira Holloway|Joss Fenwick|Tamsin Oakhurst|Berit Solheim|Anselm Crake|Petra Vantongeren|Corin Pelham|Dagny Thorsen|Lotte Brandhof|Ruben Achterberg|Sunniva|Marek Dvorsky|Hattie Quill|Pascal Lemaire|Nuria Castellan|Tobias Wrenfield|Larkfield|Brockmere|Hallow Green|Westerby|Thornham|Pell Street|Ostwick|Fernleigh|Tarn stone|Neatsfoot|Kesselrun|Whittleback|Carrowmere clamp|Philomena Stitch|Zephyr lamp|Quenby|Jacquetta Rowe|Cyrus Maddock|Eithne Byrne'.split(
    '|',
  );
const SENTENCES =
  'We asked {} about it and got an answer the same week.|That was the year {} came to the hall.|Nobody knows it better than {} does.|You can see it in {} if you look closely.|It all began with {} and a bucket of water.|There is a note from {} on the wall.|She learned it from {} in the spring.|We used to go past {} on the way home.|I would not do it without {} any more.|Somebody mentioned {} before the tea.'.split(
    '|',
  );

// What an ear does to a spelling: the sounds stay near, the letters do not (own rules; common practice, no source).
const MISHEARD: readonly [RegExp, string][] = [
  [/ph/, 'f'],
  [/c(?=[aou])/, 'k'],
  [/k/, 'c'],
  [/ck/, 'k'],
  [/ee/, 'ea'],
  [/ea/, 'ee'],
  [/ie/, 'y'],
  [/y\b/, 'ie'],
  [/i(?=[a-z])/, 'y'],
  [/(.)\1/, '$1'],
  [/([lmnrt])(?=[aeiou])/, '$1$1'],
  [/s(?=[ei])/, 'c'],
  [/z/, 's'],
  [/ow/, 'ou'],
  [/oo/, 'u'],
  [/qu/, 'kw'],
  [/w/, 'wh'],
  [/e\b/, ''],
  [/gh/, ''],
  [/a(?=[lnr])/, 'e'],
  [/er/, 'ur'],
  [/th/, 't'],
];

/** How well names are found in a text where each stands four times, heard wrong by a seeded script. */
export function nameScore(model: MarksModel): Score & { places: number } {
  let state = 20_261_125;
  const random = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const misspelt = (word: string) => {
    const fitting = MISHEARD.filter(([pattern]) => pattern.test(word));
    if (!fitting.length) return word;
    const [pattern, instead] = one(fitting);
    return word.replace(pattern, instead);
  };
  const heard = (name: string): string => {
    const kind = random();
    const lower = random() < 0.7 ? name.toLowerCase() : name;
    const parts = words(lower).map((w) => w.text);
    if (kind < 0.2) return name.toLowerCase();
    const at = Math.floor(random() * parts.length);
    const wrong = parts.map((part, i) => (i === at || random() < 0.3 ? misspelt(part) : part));
    // Cut in two after a vowel, or a consonant before one.
    if (kind < 0.4) {
      const cut = /^(.{3,}?[aeiou][lmnr]?)(?=[^aeiou].{2,}$)/.exec(wrong[at]!);
      if (cut) wrong[at] = `${cut[1]} ${wrong[at]!.slice(cut[1]!.length)}`;
    }
    return wrong.join(' ');
  };
  // What has no such names in it, for false alarms.
  const around = readFileSync(new URL('texts/fillers.txt', import.meta.url), 'utf8')
    .replace(/[{}]/g, '')
    .split(/\n\s*\n/);
  const gold: { from: number; to: number; name: string }[] = [];
  let text = '';
  for (const name of [...NAMES, ...NAMES, ...NAMES, ...NAMES]) {
    const said = heard(name);
    const [before, after] = one(SENTENCES).split('{}') as [string, string];
    if (said !== name) gold.push({ from: text.length + before.length, to: text.length + before.length + said.length, name });
    text += `${before}${said}${after}\n\n`;
    if (random() < 0.25)
      text += `${one(around).replace(/Mira|Joss|Tamsin|Berit|Petra|Marek|Fernley|Odile|Hallow Green|Pell Street|Ostwick|Westerby|Neatsfoot|neatsfoot/g, 'somebody')}\n\n`;
  }
  const source = {
    kind: 'text' as const,
    passages: text
      .trim()
      .split('\n\n')
      .map((p) => ({ text: p })),
  };
  const found = findEdits(source, { house: { ...usualHouse(), names: NAMES }, model }).filter((e) => e.kind === 'names');
  const isRight = (e: (typeof found)[number]) => gold.some((g) => g.name === e.after && e.from <= g.from && e.to >= g.to);
  if (process.env.SHOW) {
    for (const e of found) if (!isRight(e)) console.log('false', e.before, '->', e.after);
    for (const g of gold)
      if (!found.some((e) => e.after === g.name && e.from <= g.from && e.to >= g.to))
        console.log('missed', text.slice(g.from, g.to), g.name);
  }
  const precision = found.filter(isRight).length / Math.max(1, found.length);
  const recall = gold.filter((g) => found.some((e) => e.after === g.name && e.from <= g.from && e.to >= g.to)).length / gold.length;
  return { precision, recall, f1: (2 * precision * recall) / (precision + recall), places: gold.length };
}
