import type { Brief, OwnBrief } from '@even-page/core/post/brief';
import type { Details } from '@even-page/core/post/details';
import { docFromJSON, type Origin } from '@even-page/core/post/schema';
import { showTime } from '@even-page/core/language/times';
import type { House } from '@even-page/core/tidy';
import {
  type AskedSection,
  askedOutline,
  type BriefPart,
  briefAsOne,
  briefInSteps,
  draftRequest,
  type DraftRequest,
  filledBrief,
  type FilledBrief,
  guard,
  type GuardFinding,
  type Leftover,
  leftovers,
  nameOf,
  type Proposed,
  type RequestGround,
} from '@even-page/core/write';
import { draftedFrom, factsOf, type TidiedSource } from './material.ts';

/** What a brief is made from, as it goes between the threads. */
export type BriefGround = { doc: object; details: Details; house: House; tidied: TidiedSource[]; names: Record<string, string> };

async function groundOf({ doc: json, details, house, tidied, names }: BriefGround): Promise<RequestGround & { filled: FilledBrief }> {
  const doc = docFromJSON(json);
  const own: OwnBrief = details.brief ?? {};
  const { person, passages } = await draftedFrom(tidied);
  const titles = tidied.flatMap((t) => t.source.title ?? []);
  const filled = filledBrief(own, { details, doc, titles, person, house });
  return {
    doc,
    own,
    brief: filled.brief,
    filled,
    words: details.words ?? 0,
    never: house.never,
    passages,
    nameOf: (source) => names[source] ?? '',
    placeOf: ({ origin }) => (origin.startMs === undefined ? `¶ ${origin.first + 1}` : showTime(origin.startMs)),
  };
}

/** A brief as it stands: filled in, with its outline, what feeds each section, and what is left over from another piece. */
export type StandingBrief = FilledBrief & {
  outline: AskedSection[];
  /** The stretches that feed a section, by their numbers. */
  passages: Record<string, { text: string; at: string; name: string }>;
  leftovers: Leftover[];
};

/** A request, and where its numbers of passages lead. */
export type MadeRequest = { request: DraftRequest; passages: Record<string, Origin> };

/** A proposal as it goes between the threads. */
export type SentProposal = Omit<Proposed, 'doc' | 'was' | 'others' | 'known'> & {
  doc: object;
  was: object;
  others: object[];
  brief: Brief;
};

/** The brief, what is asked of drafters, and the guard on what they answer. */
export const drafting = {
  /** The brief of a piece as it stands. */
  async brief(given: BriefGround): Promise<StandingBrief> {
    const ground = await groundOf(given);
    const outline = askedOutline(ground);
    const fed = new Set(outline.flatMap((part) => part.passages));
    const passages = Object.fromEntries(
      ground.passages.filter((p) => fed.has(p.id)).map((p) => [p.id, { text: p.text, at: ground.placeOf(p), name: nameOf(p) }]),
    );
    const known = [given.details.title, ground.doc.textContent, ...ground.passages.map((p) => p.text)].join(' ');
    return { ...ground.filled, outline, passages, leftovers: leftovers({ brief: ground.own, sections: outline }, known) };
  },
  /** The brief as text: in one, and in steps. */
  async briefText(given: BriefGround): Promise<{ one: BriefPart; steps: BriefPart[] }> {
    const ground = await groundOf(given);
    return { one: briefAsOne(ground), steps: briefInSteps(ground) };
  },
  /** One asking of a drafter. */
  async draftRequest(given: BriefGround, ask: Parameters<typeof draftRequest>[0]): Promise<MadeRequest> {
    const ground = await groundOf(given);
    const request = draftRequest(ask, ground);
    const asked = new Set(request.passages.map((p) => p.id));
    return { request, passages: Object.fromEntries(ground.passages.filter((p) => asked.has(p.id)).map((p) => [p.id, p.origin])) };
  },
  /** The stretches of the material as drafters are given them, by their numbers. */
  async passages(tidied: TidiedSource[]): Promise<Record<string, Origin>> {
    return Object.fromEntries((await draftedFrom(tidied)).passages.map((p) => [p.id, p.origin]));
  },
  /** What the guard says of a proposal. */
  guard(tidied: TidiedSource[], { doc, was, others, brief, ...rest }: SentProposal, headings: readonly string[]): GuardFinding[] {
    const own = [brief.subject, brief.phrase, ...brief.phrases, ...brief.links, ...headings].join('. ');
    return guard({ ...rest, doc: docFromJSON(doc), was: docFromJSON(was), others: others.map(docFromJSON), known: factsOf(tidied, own) });
  },
};
