// What was read and judged, one by one, on the talks that are only measured: changes of wording and headings. A verdict counts
// as long as what was read still stands so; what is new is not read yet. Prints that, ready for the files, when run by itself:
// node --import tsx bench/verdicts.ts
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { droppedBy } from '../core/src/tidy/wording/drops.ts';
import { tellingOf, wordedSentence } from '../core/src/tidy/wording/written.ts';
import { sectioned } from '../core/training/told.ts';
import type { Figure } from './measure.ts';

/** A sentence that wording changed: its talk, its number in it, the rules used, and how it reads. */
type Change = { key: string; rules: string[]; written: string };

const lines = (name: string) =>
  readFileSync(new URL(`verdicts/${name}.tsv`, import.meta.url), 'utf8')
    .split('\n')
    .filter((line) => line && !line.startsWith('#'))
    .map((line) => line.split('\t'));

function changes(): Change[] {
  return sectioned('measured').flatMap(({ number, sentences }) => {
    const telling = tellingOf(sentences.map((s) => s.text));
    return sentences.flatMap(({ text: said }, n) => {
      const { text, changes: made } = wordedSentence(said, telling);
      if (!made.length || droppedBy(said) || droppedBy(text)) return [];
      return [{ key: `${number}.${n}`, rules: made.map((c) => c.rule), written: text }];
    });
  });
}

/** For each rule: how often it was used, how many of its uses were read, and how many of those change the sense or read badly. */
export function rulesRead(): Map<string, { uses: number; read: number; wrong: number }> {
  const verdicts = new Map(lines('wording').map(([key, wrong, written]) => [`${key} ${written}`, wrong!]));
  const found = new Map<string, { uses: number; read: number; wrong: number }>();
  for (const { key, rules, written } of changes()) {
    const wrong = verdicts.get(`${key} ${written}`);
    for (const rule of rules) {
      const own = found.get(rule) ?? { uses: 0, read: 0, wrong: 0 };
      found.set(rule, own);
      own.uses++;
      if (wrong === undefined) continue;
      own.read++;
      if (wrong.split(',').includes(rule)) own.wrong++;
    }
  }
  return found;
}

/** The figures of what was read. `headed`: each section's talk and heading as they are now. */
export function verdictFigures(headed: readonly { talk: string; heading: string }[]): Figure[] {
  const rules = [...rulesRead()];
  const sum = (of: 'uses' | 'read' | 'wrong') => rules.reduce((total, [, rule]) => total + rule[of], 0);
  const doubtful = rules.filter(([, { read, wrong }]) => read >= 20 && 1 - wrong / read < 0.95);
  const headings = new Map(lines('headings').map(([talk, verdict, heading]) => [`${talk} ${heading}`, verdict!]));
  const read = headed.flatMap(({ talk, heading }) => headings.get(`${talk} ${heading}`) ?? []);
  return [
    {
      what: 'By reading: uses of rules of wording that read well',
      value: (100 * (sum('read') - sum('wrong'))) / sum('read'),
      unit: '%',
      least: 97.5,
      against: `${sum('read')} of ${sum('uses')} uses read`,
    },
    {
      what: 'By reading: rules that go wrong in more than one of 20',
      value: doubtful.length,
      unit: '',
      most: 0,
      against: `${rules.length} rules in use${doubtful.map(([name]) => `, ${name}`).join('')}`,
    },
    {
      what: 'By reading: headings good or passable',
      value: (100 * read.filter((v) => v !== 'bad').length) / read.length,
      unit: '%',
      least: 60,
      against: `${read.length} of ${headed.length} read; good: ${read.filter((v) => v === 'good').length}`,
    },
  ];
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const known = new Set(lines('wording').map(([key, , written]) => `${key} ${written}`));
  for (const { key, rules, written } of changes())
    if (!known.has(`${key} ${written}`)) console.log(`${key}\t\t${written}\t(${rules.join(', ')})`);
  for (const [rule, { uses, read, wrong }] of [...rulesRead()].sort((a, b) => b[1].uses - a[1].uses))
    console.log(`| ${rule} | ${uses} | ${read} | ${wrong} |`);
}
