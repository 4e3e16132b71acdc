import { remembered } from '../../language/remembered.ts';
import { normal, stem, terms } from '../../language/terms.ts';
import { wordCount, words } from '../../language/words.ts';
import { DEEDS, type Token, tokensOf } from '../../tidy/index.ts';
import { announcementOf } from '../cut/announcements.ts';
import { frequencyOf, NAME, type Subjects } from '../cut/subjects.ts';
import { STEM_WEIGHTS } from './weights.ts';
import {
  claim,
  deedAt,
  LIGHT_NOUNS,
  named as namedAlone,
  nounPhrase,
  question,
  shown,
  thingAt,
  type NounPhrase,
  type Phrase,
} from './phrases.ts';

/** A sentence of a section: as said, as written, and how much a page needs it (0 to 3). */
export type HeadedSentence = { said: string; text: string; worth: number };

/** A heading a section could have: the stems it says, and what speaks for it, by name. */
export type HeadingCandidate = { text: string; kind: Phrase['kind']; stems: string[]; features: Record<string, number>; sentence: number };

const LEADS_DEED = new Set("to can you we i should must and then or just please don't let's you'll we'll i'll how".split(' '));
const OPENING_STEMS = 15;
// Frames that name what comes: "the next thing is the adhesive".
const NAMES_IT = /^(?:ordinal|another|look|show|sequence|how-about|cleft)$/;
// "Before you touch the pump": what comes is told behind it.
const TELLS_NOTHING = /^(?:none|while|after)$/;
// What counts more for one kind of phrase than for another.
const CROSSED = ['near', 'first', 'best', 'said', 'distinct', 'worth', 'stems', 'opening', 'rare', 'definite'];
const MOST_OF_A_SENTENCE = 40;
// "The Roger" is somebody, and so is "the Mrs Penhallow".
const NAMES_SOMEBODY = /^the (?:(?:Mrs?|Miss|Ms|Dr|Councillor)\.? )?\p{Lu}\p{Ll}+$/u;
// How often a section has to name a thing that heads it alone.
const AGAIN = 3;

const countOf = (all: readonly string[]) => {
  const counts = new Map<string, number>();
  for (const s of all) counts.set(s, (counts.get(s) ?? 0) + 1);
  return counts;
};

/** What is known of a whole talk before its sections are headed. */
export type TalkTerms = {
  counts: Map<string, number>;
  total: number;
  /** The three stems said most. */
  top: Set<string>;
  /** In how many sections each stem is said. */
  sections: Map<string, number>;
  of: number;
  /** Words that have a capital where they open no sentence. */
  names: Map<string, string>;
};

export function talkTerms(sections: readonly (readonly HeadedSentence[])[]): TalkTerms {
  const own = sections.map((section) => section.flatMap((s) => terms(s.said)));
  const counts = countOf(own.flat());
  const inSections = countOf(own.flatMap((stems) => [...new Set(stems)]));
  const top = [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([s]) => s);
  return {
    counts,
    total: own.flat().length,
    top: new Set(top),
    sections: inSections,
    of: sections.length,
    names: namesIn(sections.flat()),
  };
}

function namesIn(sentences: readonly HeadedSentence[]): Map<string, string> {
  const forms = new Map<string, { capital: number; small: number; as: string }>();
  for (const { said } of sentences) {
    for (const [i, { w, n, k }] of tokensOf(said).all.entries()) {
      if (!i || k === ',') continue;
      const form = forms.get(n) ?? { capital: 0, small: 0, as: w };
      if (/^\p{Lu}/u.test(w)) Object.assign(form, { capital: form.capital + 1, as: w });
      else form.small++;
      forms.set(n, form);
    }
  }
  return new Map([...forms].filter(([n, f]) => f.capital > f.small && n !== 'i').map(([n, f]) => [n, f.as]));
}

/** How much a stem sets a section apart: said often in it and in few others (tf-idf; Spärck Jones 1972). */
const heftOf = (stem: string, here: ReadonlyMap<string, number>, talk: TalkTerms): number =>
  (here.get(stem) ?? 0) * Math.log(1 + talk.of / (talk.sections.get(stem) ?? 1));

/** What speaks for each stem of a section to stand in its heading, by name. */
export function stemFeatures(
  section: readonly HeadedSentence[],
  talk: TalkTerms,
  subjects: Subjects | null,
): Map<string, Record<string, number>> {
  const all = section.flatMap((s) => terms(s.said));
  const here = countOf(all);
  const size = Math.max(1, all.length);
  const ranks = new Map([...here.keys()].sort((a, b) => heftOf(b, here, talk) - heftOf(a, here, talk)).map((s, rank) => [s, rank]));
  const found = new Map<string, Record<string, number>>();
  const of = (s: string) => {
    let known = found.get(s);
    if (!known) found.set(s, (known = {}));
    return known;
  };
  [...here].forEach(([s, c], i) => {
    const all = talk.counts.get(s) ?? c;
    const rank = ranks.get(s)!;
    Object.assign(of(s), {
      [`place ${i < 3 ? 'a' : i < 7 ? 'b' : i < 15 ? 'c' : i < 30 ? 'd' : 'e'}`]: 1,
      count: Math.log(c),
      [`times ${Math.min(4, c)}`]: 1,
      share: c / all,
      rank: 1 / (1 + rank),
      [`ranked ${rank < 1 ? 'first' : rank < 3 ? 'third' : rank < 6 ? 'sixth' : 'lower'}`]: 1,
      top: talk.top.has(s) ? 1 : 0,
      often: Math.log(all),
      spread: (talk.sections.get(s) ?? 1) / talk.of,
      rare: subjects ? Math.min(8, -Math.log(frequencyOf(subjects, s, NAME))) / 8 : 0.7,
      dense: c / size > 0.05 ? 1 : 0,
    });
  });
  section.forEach((sentence, n) => {
    const announced = announcementOf(sentence.said);
    if (announced.about && announced.frame !== 'none')
      for (const s of terms(announced.about).slice(0, 5))
        if (found.has(s)) of(s)[n < 2 ? `announced first ${announced.frame}` : 'announced'] = 1;
    const { all } = tokensOf(sentence.text);
    all.forEach((token, i) => {
      const s = stem(token.n);
      if (!found.has(s)) return;
      const before = all[i - 1];
      if (token.k === 'v' && (!before || before.k === ',' || LEADS_DEED.has(before.n))) {
        of(s).deed = 1;
        if (i < 2) of(s)['opens deed'] = 1;
        const object = all.slice(i + 1, i + 5).findLast((t) => t.k === 'n' || t.k === 'e');
        if (object && found.has(stem(object.n))) of(stem(object.n)).object = (of(stem(object.n)).object ?? 0) + 0.5;
      }
      if (before?.k === 't' && /^(?:a|an|this|these)$/.test(before.n)) of(s).introduced = 1;
      if (before?.n === 'the' || before?.n === 'your') of(s).definite = 1;
      if (token.k === 'e') of(s).name = 1;
      if (/\?/.test(sentence.text)) of(s).asked = 1;
      if (n === section.length - 1) of(s).last = 1;
      of(s).worth = Math.max(of(s).worth ?? 0, sentence.worth / 3);
    });
  });
  return found;
}

/** How likely each stem of a section is to stand in its heading. */
export function stemChances(
  section: readonly HeadedSentence[],
  talk: TalkTerms,
  subjects: Subjects | null,
  weights: Readonly<Record<string, number>>,
): Map<string, number> {
  return new Map(
    [...stemFeatures(section, talk, subjects)].map(([s, features]) => [
      s,
      1 / (1 + Math.exp(-Object.entries(features).reduce((sum, [name, x]) => sum + (weights[name] ?? 0) * x, weights.bias ?? -3))),
    ]),
  );
}

/** Everything a section could be headed with. */
export function headingCandidates(
  section: readonly HeadedSentence[],
  talk: TalkTerms,
  subjects: Subjects | null,
  weights = STEM_WEIGHTS,
): HeadingCandidate[] {
  const chances = stemChances(section, talk, subjects, weights);
  const all = section.flatMap((s) => terms(s.said));
  const here = countOf(all);
  const size = Math.max(1, all.length);
  const opening = new Set([...here.keys()].slice(0, OPENING_STEMS));
  const distinct = remembered((s) => {
    const rest = (talk.counts.get(s) ?? 0) - (here.get(s) ?? 0);
    return Math.log(((here.get(s) ?? 0) + 0.3) / size / ((rest + 0.6) / Math.max(1, talk.total - size + 20)));
  });
  const rare = remembered((s) => (subjects ? Math.min(6, Math.log((here.get(s) ?? 0.5) / size / frequencyOf(subjects, s, NAME))) : 3));
  const heft = (s: string) => heftOf(s, here, talk);
  const best = [...here.keys()].sort((a, b) => heft(b) - heft(a)).slice(0, 5);
  const found = new Map<string, HeadingCandidate>();
  const named = new Map<string, { text: string; isDeed: boolean; count: number; heft: number; sentence: number }>();
  let offset = 0;
  // Things named lately: a pronoun means the one of them that the section is most about.
  let recent: { thing: NounPhrase; sentence: number; at: number }[] = [];
  section.forEach((sentence, n) => {
    const announced = announcementOf(sentence.said);
    const add = (phrase: Phrase | null, isAnnounced: boolean, isAlone = false) => {
      if (!phrase) return;
      const key = phrase.text.toLowerCase();
      const known = found.get(key);
      if (known) {
        known.features.repeated = (known.features.repeated ?? 0) + 0.5;
        return;
      }
      const stems = [...new Set(terms(phrase.text))];
      if (!stems.length) return;
      const size = wordCount(phrase.text);
      const chance = chancesOf(stems, chances);
      const mean = (of: (s: string) => number) => stems.reduce((sum, s) => sum + of(s), 0) / stems.length;
      const most = (of: (s: string) => number) => Math.max(...stems.map(of));
      const features: Record<string, number> = {
        [`kind ${phrase.kind}`]: 1,
        [`frame ${isAnnounced ? announced.frame : 'inside'}`]: 1,
        announced: isAnnounced ? 1 : 0,
        alone: isAlone ? 1 : 0,
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
        ...chance,
        figure: /\d/.test(phrase.text) ? 1 : 0,
        name: / \p{Lu}\p{Ll}/u.test(phrase.text) ? 1 : 0,
        resolved: phrase.isResolved ? 1 : 0,
        things: phrase.things / 2,
        worth: sentence.worth / 3,
        'deed known': phrase.kind === 'deed' && DEEDS.has(phrase.verb) ? 1 : 0,
        'deed light': /^(?:get|have|take|make|go|do|put|give|keep|use|know|see|think|come|want|need|be|say|look)$/.test(phrase.verb)
          ? 1
          : 0,
        definite: /\bthe\b/.test(phrase.text) ? 1 : 0,
        indefinite: /\ban?\b/.test(phrase.text) ? 1 : 0,
        [`deed ${isAnnounced ? 'announced' : 'told'}`]: phrase.kind === 'deed' ? 1 : 0,
      };
      for (const name of CROSSED) features[`${phrase.kind} ${name}`] = features[name]!;
      found.set(key, { text: phrase.text, kind: phrase.kind, stems, features, sentence: n });
    };
    recent = recent.filter((r) => r.sentence >= n - 1);
    const meant = (pronoun: string, before: number): NounPhrase | null => {
      const fits = recent.filter((r) => r.thing.isPlural === (pronoun === 'them') && (r.sentence < n || r.at < before));
      return fits.sort((a, b) => heft(stem(b.thing.head)) - heft(stem(a.thing.head)))[0]?.thing ?? null;
    };
    const of = (text: string, isAnnounced: boolean) => {
      const { all, end } = tokensOf(text);
      if (all.length > 3 * MOST_OF_A_SENTENCE) all.length = 3 * MOST_OF_A_SENTENCE;
      add(question(all, end), isAnnounced);
      // What is announced stands there as it was said: its clauses are found in the sentence as written.
      if (!isAnnounced) clauses(all).forEach(([from, to]) => add(claim(all, from, to), false));
      all.forEach((token, i) => {
        const before = all[i - 1];
        const isTold = !before || before.k === ',' || LEADS_DEED.has(before.n) || (before.k === 'r' && i < 4);
        const isDeed = token.k === 'v' || (before?.n === 'to' && token.k === 'n') || (i === 0 && DEEDS.has(token.n));
        if (isTold && isDeed && !isSupposed(all, i)) add(deedAt(all, i, meant), isAnnounced);
        const opensThing =
          token.k === 't' ||
          // Behind "do not" or "you", what looks like a thing is a deed.
          ((token.k === 'n' || token.k === 'e' || token.k === 'j') &&
            !/[tnejmgdxp]/.test(before?.k ?? '') &&
            !/^(?:not|never|to)$/.test(before?.n ?? ''));
        if (opensThing) {
          add(thingAt(all, i), isAnnounced);
          const thing = nounPhrase(all, i);
          if (thing && !LIGHT_NOUNS.has(thing.head) && !DEEDS.has(thing.words[0]!) && !talk.names.has(thing.head)) {
            const key = stem(thing.head);
            const known = named.get(key) ?? {
              text: shown({ ...thing, determiner: thing.isName ? '' : 'the' }),
              isDeed: DEEDS.has(thing.head),
              count: 0,
              heft: heft(key),
              sentence: n,
            };
            if (token.k === 't') known.count++;
            named.set(key, known);
            recent.push({ thing, sentence: n, at: i });
          }
        }
      });
    };
    if (n < 3) add(namedAlone(tokensOf(sentence.said).all), true, true);
    if (n < 3 && NAMES_IT.test(announced.frame)) add(namedAlone(tokensOf(announcedIn(sentence.said, announced.about)).all), true, true);
    if (announced.about && !TELLS_NOTHING.test(announced.frame)) of(announcedIn(sentence.said, announced.about), true);
    of(sentence.text, false);
    offset += wordCount(sentence.said);
  });
  // What a section names again and again, by itself.
  for (const [key, thing] of named) {
    if ((here.get(key) ?? 0) < AGAIN || (thing.isDeed && thing.count < 2) || found.has(thing.text.toLowerCase())) continue;
    const features = {
      ...chancesOf([key], chances),
      'kind alone': 1,
      'alone said': Math.log(here.get(key)!),
      'alone share': here.get(key)! / (talk.counts.get(key) ?? here.get(key)!),
      'alone heft': thing.heft / 5,
      'alone first': best[0] === key ? 1 : 0,
      'alone near': Math.exp(-thing.sentence / 3),
    };
    found.set(thing.text.toLowerCase(), { text: thing.text, kind: 'thing', stems: [key], features, sentence: thing.sentence });
  }
  for (const candidate of pairsOf([...named].map(([key, thing]) => ({ ...thing, key })))) {
    const size = wordCount(candidate.text);
    const features = {
      ...chancesOf(candidate.stems, chances),
      'kind pair': 1,
      'pair said': Math.log(1 + candidate.count),
      'pair heft': candidate.heft / 5,
      [`words ${Math.min(7, size)}`]: 1,
      'pair near': Math.exp(-candidate.sentence / 3),
      [`pair ${candidate.rank}`]: 1,
    };
    found.set(candidate.text.toLowerCase(), {
      text: candidate.text,
      kind: 'pair',
      stems: candidate.stems,
      features,
      sentence: candidate.sentence,
    });
  }
  return [...found.values()]
    .map((c) => ({ ...c, text: c.text.replace(/[\p{L}\p{N}'’-]+/gu, (w) => talk.names.get(w) ?? w) }))
    .filter(({ text }) => !NAMES_SOMEBODY.test(text));
}

/** How likely a heading of these stems is to say what an editor's says: one of them, and each. */
function chancesOf(stems: readonly string[], chances: ReadonlyMap<string, number>): Record<string, number> {
  const own = stems.map((s) => chances.get(s) ?? 0.02);
  return {
    'chance any': 1 - own.reduce((none, p) => none * (1 - p), 1),
    'chance best': Math.max(...own),
    'chance mean': own.reduce((a, b) => a + b, 0) / own.length,
  };
}

type Named = { key: string; text: string; count: number; heft: number; sentence: number };

/** The things a section names most, two and two. */
function pairsOf(things: readonly Named[]) {
  const [a, b, c] = [...things].filter((t) => t.count > 1).sort((x, y) => y.heft - x.heft);
  const pair = (x: Named | undefined, y: Named | undefined, rank: number) => {
    if (!x || !y || wordCount(`${x.text} ${y.text}`) > 7) return [];
    const [first, second] = x.sentence <= y.sentence ? [x, y] : [y, x];
    return [
      {
        text: `${first.text} and ${second.text}`,
        stems: [x.key, y.key],
        count: Math.min(x.count, y.count),
        heft: (x.heft + y.heft) / 2,
        sentence: first.sentence,
        rank,
      },
    ];
  };
  return [...pair(a, b, 1), ...pair(a, c, 2)];
}

/** What a sentence announces, as it stands in the sentence: with its commas and capitals. `about` is how it ends, barely. */
function announcedIn(said: string, about: string): string {
  const wanted = about.split(' ');
  const all = words(said);
  let from = said.length;
  for (let i = all.length - 1, k = wanted.length - 1; i >= 0 && k >= 0; i--) {
    from = all[i]!.from;
    // Fillers inside it are no words of the announcement.
    if (normal(all[i]!.text) === wanted[k]) k--;
  }
  return said.slice(from);
}

const SUPPOSES = /n't$|^(?:not|never|no|nobody|without|before|if|when|until|unless|while|because)$/;

/** Whether the clause before a place says that what follows is not done, or only supposed: no deed to head a section with. */
function isSupposed(all: readonly Token[], at: number): boolean {
  for (let i = at - 1; i >= 0; i--) {
    const { k, n } = all[i]!;
    if (k === ',' || /^(?:and|but|so|or)$/.test(n)) return false;
    if (SUPPOSES.test(n)) return true;
  }
  return false;
}

/** The stretches of a sentence between commas, conjunctions and its two ends. */
function clauses(all: readonly Token[]): [number, number][] {
  const edges = [-1, ...all.flatMap((t, i) => (t.k === ',' || /^(?:and|but|so|because)$/.test(t.n) ? [i] : [])), all.length];
  return edges.slice(1).map((to, i) => [edges[i]! + 1, to]);
}
