import { wordCount } from '../../language/words.ts';
import { announcementOf } from './announcements.ts';
import { PULLS } from './pull-weights.ts';

/** A sentence of a talk: its words as said, the stems of its content words, whether it opens a paragraph, who says it. */
export type Spoken = { text: string; terms: readonly string[]; opensParagraph: boolean; speaker?: string };

const OPENER_KINDS: readonly [string, RegExp][] = [
  ['okay-so', /\b(?:all right|alright|okay|ok|right|great|perfect|lovely|good)\b.*\b(?:so|now|then|and)\b/],
  ['okay', /\b(?:all right|alright|okay|ok|right|great|perfect|lovely|good)\b/],
  ['so-now', /\b(?:so now|now so|and so now)\b/],
  ['and-now', /^(?:and|but) now\b/],
  ['now', /^now\b/],
  ['but', /^but\b/],
  ['and', /^and\b/],
  ['so', /\bso\b/],
  ['then', /\bthen\b/],
  ['well', /^(?:well|anyway|yes|yeah|no|oh|sorry)\b/],
];
const POINTS_BACK = /^(?:it|they|he|she|this|that|these|those|which|because|that's|it's|them|his|her|he's|she's|they're|its)\b/;
const DONE =
  /^(?:(?:that|this|it|everything) (?:looks?|works?|is|'s)|that's|it's) (?:\w+ )?(?:great|good|perfect|fine|better|done|it|all|that|lovely)|^(?:there (?:we|you) (?:go|are)|perfect|done|lovely|simple)|ready to go/;
const HEARD_BEFORE = 120;
const HEARD_AFTER = 130;

/** What of a sentence speaks for beginning a section with it, by name. */
export function pullFeatures(talk: readonly Spoken[]): string[][] {
  const sizes = talk.map(({ text }) => Math.max(1, wordCount(text)));
  const total = sizes.reduce((a, b) => a + b, 0);
  const announced = talk.map(({ text }) => announcementOf(text));
  let before = 0;
  return talk.map((spoken, i) => {
    const { frame, opener, body } = announced[i]!;
    const previous = announced[i - 1];
    const features: string[] = [];
    const add = (name: string) => features.push(name);
    const [place, left] = [before / total, total - before];
    before += sizes[i]!;
    const isClosing = frame === 'ends' || frame === 'so-that-is';
    if (isClosing) add(left < 40 + 0.12 * total ? `late ${frame}` : `early ${frame}`);
    else add(`frame ${frame}`);
    const kind = OPENER_KINDS.find(([, pattern]) => pattern.test(opener))?.[0] ?? 'none';
    add(`opens ${kind}`);
    if (/^(?:ordinal|another|show|look|sequence|while|how-about)$/.test(frame) && /so|now|okay/.test(kind)) add('announced after opener');
    if (talk[i - 1] && spoken.speaker !== talk[i - 1]!.speaker) add('turn');
    if (previous && (DONE.test(previous.body) || previous.frame === 'so-that-is')) add('after done');
    if (talk[i - 1] && /\?["'”’)]*$/.test(talk[i - 1]!.text)) add('after question');
    if (/\?["'”’)]*$/.test(spoken.text)) add('question');
    if (!opener && POINTS_BACK.test(body)) add('points back');
    if (sizes[i]! < 5) add('short');
    if (sizes[i]! > 25) add('long');
    if ((sizes[i - 1] ?? 99) < 5) add('after short');
    const words = body.split(' ');
    add(`word ${words[0]}`);
    add(`words ${words.slice(0, 2).join(' ')}`);
    add(`place ${Math.floor(place * 10)}`);
    if (isOnset(talk, sizes, i)) add('onset');
    const own = new Set(spoken.terms);
    const near = (from: number, to: number, words: number, step: number) => {
      const found = new Set<string>();
      for (let k = from, sum = 0; k !== to && sum < words; k += step) {
        for (const s of talk[k]!.terms) found.add(s);
        sum += sizes[k]!;
      }
      return found;
    };
    const past = near(i - 1, -1, 60, -1);
    const next = near(i + 1, talk.length, 60, 1);
    const share = (set: ReadonlySet<string>) => (own.size ? [...own].filter((s) => set.has(s)).length / own.size : 0);
    add(`past ${Math.min(2, Math.ceil(share(past) * 3))}`);
    add(`next ${Math.min(2, Math.ceil(share(next) * 3))}`);
    const both = [...next].filter((s) => past.has(s)).length / Math.max(1, Math.min(past.size, next.size));
    add(`shared ${Math.min(4, Math.floor(both * 12))}`);
    return features;
  });
}

/** A thing unheard for a while that is said again soon: something new begins. */
function isOnset(talk: readonly Spoken[], sizes: readonly number[], i: number): boolean {
  const heard = new Set<string>();
  for (let k = i - 1, sum = 0; k >= 0 && sum < HEARD_BEFORE; sum += sizes[k]!, k--) for (const s of talk[k]!.terms) heard.add(s);
  const again = new Map<string, number>();
  for (let k = i + 1, sum = 0; k < talk.length && sum < HEARD_AFTER; sum += sizes[k]!, k++)
    for (const s of talk[k]!.terms) again.set(s, (again.get(s) ?? 0) + 1);
  return talk[i]!.terms.some((s) => !heard.has(s) && (again.get(s) ?? 0) >= 2);
}

// Paragraphs of the talks learned from follow their sections more closely than those of captions: this weight is set.
const PARAGRAPH = 0.8;

/** How much each sentence speaks for beginning a section, in nats: the log-odds of a logistic regression. */
export const pulls = (talk: readonly Spoken[]): number[] =>
  pullFeatures(talk).map((features, i) =>
    features.reduce((sum, name) => sum + (PULLS[name] ?? 0), PULLS.bias! + (talk[i]!.opensParagraph ? PARAGRAPH : 0)),
  );
