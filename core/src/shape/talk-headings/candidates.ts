import { stem, terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { DEEDS } from '../../tidy/wording/kinds.ts';
import { tokensOf, type Token } from '../../tidy/wording/tokens.ts';
import { announcementOf } from '../cut/announcements.ts';
import { frequencyOf, NAME, type Subjects } from '../cut/subjects.ts';
import { claim, deedAt, LIGHT_NOUNS, nounPhrase, question, shown, thingAt, type NounPhrase, type Phrase } from './phrases.ts';

/** A sentence of a section: as said, as written, and how much a page needs it (0 to 3). */
export type HeadedSentence = { said: string; text: string; worth: number };

/** A heading a section could have: the stems it says, and what speaks for it, by name. */
export type HeadingCandidate = { text: string; kind: Phrase['kind']; stems: string[]; features: Record<string, number>; sentence: number };

const LEADS_DEED = new Set("to can you we i should must and then or just please don't let's you'll we'll i'll how".split(' '));
const OPENING_STEMS = 15;
// What counts more for one kind of phrase than for another.
const CROSSED = ['near', 'first', 'best', 'said', 'distinct', 'worth', 'stems', 'opening', 'rare', 'definite'];
const MOST_OF_A_SENTENCE = 40;

const countOf = (all: readonly string[]) => {
  const counts = new Map<string, number>();
  for (const s of all) counts.set(s, (counts.get(s) ?? 0) + 1);
  return counts;
};

/** What is known of a whole talk before its sections are headed. */
export type TalkTerms = { counts: Map<string, number>; total: number; top: Set<string>; sections: Map<string, number>; of: number };

export function talkTerms(sections: readonly (readonly HeadedSentence[])[]): TalkTerms {
  const own = sections.map((section) => section.flatMap((s) => terms(s.said)));
  const counts = countOf(own.flat());
  const inSections = countOf(own.flatMap((stems) => [...new Set(stems)]));
  const top = [...counts].sort((a, b) => b[1] - a[1]).slice(0, 3).map(([s]) => s);
  return { counts, total: own.flat().length, top: new Set(top), sections: inSections, of: sections.length };
}

/** Everything a section could be headed with. */
export function headingCandidates(section: readonly HeadedSentence[], talk: TalkTerms, subjects: Subjects | null): HeadingCandidate[] {
  const here = countOf(section.flatMap((s) => terms(s.said)));
  const size = Math.max(1, [...here.values()].reduce((a, b) => a + b, 0));
  const opening = new Set<string>();
  for (const { said } of section) {
    for (const s of terms(said)) if (opening.size < OPENING_STEMS) opening.add(s);
  }
  const distinct = (s: string): number => {
    const rest = (talk.counts.get(s) ?? 0) - (here.get(s) ?? 0);
    return Math.log(((here.get(s) ?? 0) + 0.3) / size / ((rest + 0.6) / Math.max(1, talk.total - size + 20)));
  };
  const rare = (s: string): number => (subjects ? Math.min(6, Math.log((here.get(s) ?? 0.5) / size / frequencyOf(subjects, s, NAME))) : 3);
  const best = [...here.keys()].sort((a, b) => heft(b) - heft(a)).slice(0, 5);
  function heft(s: string): number {
    return (here.get(s) ?? 0) * Math.log(1 + talk.of / (talk.sections.get(s) ?? 1));
  }
  const found = new Map<string, HeadingCandidate>();
  const named = new Map<string, { text: string; count: number; heft: number; sentence: number }>();
  let offset = 0;
  let last: NounPhrase | null = null;
  section.forEach((sentence, n) => {
    const announced = announcementOf(sentence.said);
    const add = (phrase: Phrase | null, isAnnounced: boolean) => {
      if (!phrase) return;
      const stems = [...new Set(terms(phrase.text))];
      if (!stems.length) return;
      const size = wordCount(phrase.text);
      const mean = (of: (s: string) => number) => stems.reduce((sum, s) => sum + of(s), 0) / stems.length;
      const most = (of: (s: string) => number) => Math.max(...stems.map(of));
      const features: Record<string, number> = {
        [`kind ${phrase.kind}`]: 1,
        [`frame ${isAnnounced ? announced.frame : 'inside'}`]: 1,
        announced: isAnnounced ? 1 : 0,
        first: n === 0 ? 1 : 0,
        second: n === 1 ? 1 : 0,
        near: Math.exp(-offset / 40),
        far: Math.min(1, offset / 200),
        distinct: mean(distinct) / 3,
        'most distinct': most(distinct) / 3,
        rare: mean(rare) / 5,
        'most rare': most(rare) / 5,
        said: mean((s) => Math.log(1 + (here.get(s) ?? 0))),
        'most said': most((s) => Math.log(1 + (here.get(s) ?? 0))),
        again: mean((s) => ((here.get(s) ?? 0) > 1 ? 1 : 0)),
        opening: mean((s) => (opening.has(s) ? 1 : 0)),
        best: mean((s) => (best.includes(s) ? 1 : 0)),
        'very best': stems.some((s) => s === best[0] || s === best[1]) ? 1 : 0,
        top: mean((s) => (talk.top.has(s) ? 1 : 0)),
        stems: stems.length / 3,
        [`words ${Math.min(7, size)}`]: 1,
        figure: /\d/.test(phrase.text) ? 1 : 0,
        name: / \p{Lu}\p{Ll}/u.test(phrase.text) ? 1 : 0,
        resolved: phrase.isResolved ? 1 : 0,
        things: phrase.things / 2,
        worth: sentence.worth / 3,
        'deed known': phrase.kind === 'deed' && DEEDS.has(phrase.verb) ? 1 : 0,
        'deed light': /^(?:get|have|take|make|go|do|put|give|keep|use|know|see|think|come|want|need|be|say|look)$/.test(phrase.verb) ? 1 : 0,
        definite: /\bthe\b/.test(phrase.text) ? 1 : 0,
        indefinite: /\ban?\b/.test(phrase.text) ? 1 : 0,
        [`deed ${isAnnounced ? 'announced' : 'told'}`]: phrase.kind === 'deed' ? 1 : 0,
      };
      for (const name of CROSSED) features[`${phrase.kind} ${name}`] = features[name]!;
      const key = phrase.text.toLowerCase();
      const known = found.get(key);
      if (!known) found.set(key, { text: phrase.text, kind: phrase.kind, stems, features, sentence: n });
      else known.features.repeated = (known.features.repeated ?? 0) + 0.5;
    };
    const of = (text: string, isAnnounced: boolean) => {
      const { all, end } = tokensOf(text);
      if (all.length > 3 * MOST_OF_A_SENTENCE) all.length = 3 * MOST_OF_A_SENTENCE;
      add(question(all, end), isAnnounced);
      clauses(all).forEach(([from, to]) => add(claim(all, from, to), isAnnounced));
      all.forEach((token, i) => {
        const before = all[i - 1];
        const isTold = !before || before.k === ',' || LEADS_DEED.has(before.n) || (before.k === 'r' && i < 4);
        const negated = all.slice(Math.max(0, i - 2), i).some((t) => /n't$|^(?:not|never)$/.test(t.n));
        if (isTold && !negated && (token.k === 'v' || (before?.n === 'to' && token.k === 'n') || (i === 0 && DEEDS.has(token.n)))) add(deedAt(all, i, last), isAnnounced);
        const opensThing = token.k === 't' || ((token.k === 'n' || token.k === 'e' || token.k === 'j') && !/[tnejmgd]/.test(before?.k ?? ''));
        if (opensThing) {
          add(thingAt(all, i), isAnnounced);
          const thing = nounPhrase(all, i);
          if (thing) last = thing;
          if (thing && !LIGHT_NOUNS.has(thing.head) && !DEEDS.has(thing.words[0]!)) {
            const key = stem(thing.head);
            const known = named.get(key) ?? { text: shown({ ...thing, determiner: thing.isName ? '' : 'the' }), count: 0, heft: heft(key), sentence: n };
            known.count++;
            named.set(key, known);
          }
        }
      });
    };
    if (announced.about && announced.frame !== 'none') of(capitalsOf(announced.about, sentence.said), true);
    of(sentence.text, false);
    offset += wordCount(sentence.said);
  });
  for (const candidate of pairsOf([...named].map(([key, thing]) => ({ ...thing, key })))) {
    const size = wordCount(candidate.text);
    const features = { 'kind pair': 1, 'pair said': Math.log(1 + candidate.count), 'pair heft': candidate.heft / 5, [`words ${Math.min(7, size)}`]: 1, 'pair near': Math.exp(-candidate.sentence / 3), [`pair ${candidate.rank}`]: 1 };
    found.set(candidate.text.toLowerCase(), { text: candidate.text, kind: 'pair', stems: candidate.stems, features, sentence: candidate.sentence });
  }
  return [...found.values()];
}

type Named = { key: string; text: string; count: number; heft: number; sentence: number };

/** The things a section names most, two and two. */
function pairsOf(things: readonly Named[]) {
  const [a, b, c] = [...things].filter((t) => t.count > 1).sort((x, y) => y.heft - x.heft);
  const pair = (x: Named | undefined, y: Named | undefined, rank: number) => {
    if (!x || !y || wordCount(`${x.text} ${y.text}`) > 7) return [];
    const [first, second] = x.sentence <= y.sentence ? [x, y] : [y, x];
    return [{ text: `${first.text} and ${second.text}`, stems: [x.key, y.key], count: Math.min(x.count, y.count), heft: (x.heft + y.heft) / 2, sentence: first.sentence, rank }];
  };
  return [...pair(a, b, 1), ...pair(a, c, 2)];
}

/** Words of an announcement, in small letters, with the capitals they have in the sentence. */
function capitalsOf(about: string, said: string): string {
  const written = new Map([...said.matchAll(/[\p{L}\p{N}'’-]+/gu)].slice(1).map(([w]) => [w.toLowerCase().replaceAll('’', "'"), w]));
  return about
    .split(' ')
    .map((w) => written.get(w) ?? w)
    .join(' ');
}

/** The stretches of a sentence between commas, conjunctions and its two ends. */
function clauses(all: readonly Token[]): [number, number][] {
  const edges = [-1, ...all.flatMap((t, i) => (t.k === ',' || /^(?:and|but|so|because)$/.test(t.n) ? [i] : [])), all.length];
  return edges.slice(1).map((to, i) => [edges[i]! + 1, to]);
}
