import { Complaint } from '../complaint.ts';
import { shortened, storable, storableJson } from '../language/storable.ts';
import { fitDetails } from '../post/details.ts';
import { docFromJSON } from '../post/schema.ts';
import type { Gathered } from './format.ts';
import type { Passage, Source } from './source.ts';

// A thousand hours of speech in letters: beyond it nobody makes a post, and every list of its words would be slow.
const MOST_LETTERS = 5_000_000;
const MOST_PASSAGES = 200_000;
const MOST_NOTES = 20;
// What a whole number of the database holds, 24 days.
const MOST_MS = 2 ** 31 - 1;

/**
 * What a reader found, fit to be kept: letters that can be stored, times that can be, details that fit a post.
 * Throws a Complaint when it holds more words than any post is made of.
 */
export function sound({ source, draft, notes = [], ...rest }: Gathered): Gathered {
  let letters = 0;
  for (const passage of source.passages) letters += passage.text.length;
  if (letters > MOST_LETTERS || source.passages.length > MOST_PASSAGES)
    throw new Complaint('This file holds more words than can be worked with at once (5 million letters): bring in the part you need.');
  const { details, cut } = draft ? fitDetails(draft.details) : { details: {}, cut: [] };
  const said = [...notes, ...cut].map(storable);
  const told = said.length > MOST_NOTES ? [...said.slice(0, MOST_NOTES), `And ${said.length - MOST_NOTES} more like these.`] : said;
  return {
    ...rest,
    source: soundSource(source),
    ...(draft ? { draft: { doc: docFromJSON(storableJson(draft.doc.toJSON() as object)), details } } : {}),
    ...(told.length ? { notes: told } : {}),
  };
}

function soundSource({ kind, passages, title }: Source): Source {
  const name = title && shortened(storable(title).trim(), 300);
  return { kind, passages: passages.map(soundPassage), ...(name ? { title: name } : {}) };
}

function soundPassage({ text, startMs, endMs, speaker, wordsMs, after }: Passage): Passage {
  const times = { startMs: time(startMs), endMs: time(endMs) };
  return {
    text: storable(text),
    // A beginning without an end is a time mark; an end without its beginning says nothing.
    ...(times.startMs === undefined ? {} : { startMs: times.startMs, ...(times.endMs === undefined ? {} : { endMs: times.endMs }) }),
    ...(speaker === undefined ? {} : { speaker: shortened(storable(speaker), 100) }),
    ...(wordsMs?.every((ms) => time(ms) !== undefined) ? { wordsMs } : {}),
    ...(after === undefined ? {} : { after }),
  };
}

const time = (ms: number | undefined): number | undefined =>
  ms !== undefined && Number.isFinite(ms) && ms >= 0 && ms <= MOST_MS ? Math.round(ms) : undefined;
