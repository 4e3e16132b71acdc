import { and, desc, eq } from 'drizzle-orm';
import { array, mixed, number, object, string, type InferType } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { storable } from '@even-page/core/language/storable';
import { FORMS as SECTION_FORMS } from '@even-page/core/post/brief';
import { docFromJSON, type Origin } from '@even-page/core/post/schema';
import { type DraftRequest, draftRequestSchema } from '@even-page/core/write';
import { database, write } from '../database.ts';
import type { Person } from '../person.ts';
import { pieces, type RoundAsked, rounds } from '../schema.ts';
import { askDrafter, type Reached } from './ask-drafter.ts';

type Round = typeof rounds.$inferSelect;

const isOrigin = (o: Partial<Origin> | null): boolean =>
  typeof o?.source === 'string' && Number.isInteger(o.first) && Number.isInteger(o.last);
const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is kept of an asking besides the request: its id, what it is to stand in place of, where its numbers of passages lead. */
const keptSchema = object({
  id: string().uuid().required(),
  passages: mixed<Record<string, Origin>>(
    (value): value is Record<string, Origin> => isObject(value) && Object.values(value).every(isOrigin),
  ).required(),
  asked: object({
    form: string().oneOf(SECTION_FORMS).required(),
    words: number().integer().min(0).required(),
    blocks: array(string().required().max(60)).max(2000).required(),
    was: mixed<object>(isObject).required(),
  }).required(),
});

/** An asking of a drafter for a piece. */
export const askSchema = keptSchema.shape({ drafter: string().required().max(40), request: draftRequestSchema.required() });
/** An answer that was fetched by hand. */
export const pastedSchema = keptSchema.shape({
  section: string().default('').max(60),
  answer: string().trim().required('Paste the answer first.').max(400_000, 'An answer has at most 400,000 characters.'),
});

/** The rounds of a piece, the newest first. */
export async function listRounds(pieceId: string): Promise<Round[]> {
  const db = await database();
  return db.select().from(rounds).where(eq(rounds.pieceId, pieceId)).orderBy(desc(rounds.askedAt));
}

/** Throws a RangeError when the blocks are none. */
function checked(asked: RoundAsked): RoundAsked {
  docFromJSON(asked.was);
  return asked;
}

async function addRound(person: Person, row: Omit<typeof rounds.$inferInsert, 'askedBy'>): Promise<Round | null> {
  return write(person, async (writing) => {
    const [piece] = await writing.tx.select({ id: pieces.id }).from(pieces).where(eq(pieces.id, row.pieceId));
    if (!piece) return null;
    return writing.insert(rounds, { ...row, askedAt: new Date(), askedBy: person.id });
  });
}

const BY_HAND = 'by hand';

/** Keeps an answer that was fetched by hand; null when the piece is not there. */
export function keepPasted(
  person: Person,
  pieceId: string,
  { id, section, answer, passages, asked }: InferType<typeof pastedSchema>,
): Promise<Round | null> {
  const task = section ? 'section' : 'whole';
  return addRound(person, {
    id,
    pieceId,
    section,
    task,
    wish: '',
    drafter: BY_HAND,
    state: 'done',
    answer: storable(answer),
    passages,
    asked: checked(asked),
  });
}

/** What the browser hears of a round, as it goes on. */
export type RoundNews = { text: string } | { note: string } | { round: Round };

/**
 * Asks a drafter for a piece and tells what comes; whatever came is kept, however it ends. Null when the piece is not there.
 * @param signal aborted when the writer stops it
 */
export async function askForRound(
  person: Person,
  pieceId: string,
  { id, passages, asked, request }: InferType<typeof askSchema>,
  drafter: Reached,
  signal: AbortSignal,
): Promise<AsyncGenerator<RoundNews> | null> {
  const { task, wish, section } = request;
  const begun = performance.now();
  const row = await addRound(person, {
    id,
    pieceId,
    section,
    task,
    wish,
    drafter: drafter.name,
    state: 'working',
    passages,
    asked: checked(asked),
  });
  if (!row) return null;
  return tell();

  async function* tell(): AsyncGenerator<RoundNews> {
    let answer = '';
    const notes: string[] = [];
    let state: Round['state'] = 'failed';
    try {
      for await (const event of askDrafter(drafter, request as DraftRequest, signal)) {
        if ('text' in event) answer += event.text;
        else notes.push(event.note);
        yield event;
      }
      state = signal.aborted ? 'stopped' : 'done';
      if (state === 'done' && !answer.trim() && !notes.length) {
        state = 'failed';
        notes.push(`${drafter.name} answered with nothing.`);
      }
    } catch (cause) {
      if (!(cause instanceof Complaint)) throw cause;
      notes.push(cause.message);
    } finally {
      // Reached as well when nobody listens any more.
      if (signal.aborted) state = 'stopped';
      const end = { state, answer: storable(answer), notes: notes.map(storable), seconds: (performance.now() - begun) / 1000 };
      await write(person, (writing) => writing.update(rounds, end, eq(rounds.id, id)));
      Object.assign(row!, end);
    }
    yield { round: row! };
  }
}

/** Notes that a round was taken. False when it is not there. */
export async function takeRound(person: Person, pieceId: string, id: string, taken: 'whole' | 'part'): Promise<boolean> {
  return write(person, async (writing) => {
    const where = and(eq(rounds.id, id), eq(rounds.pieceId, pieceId));
    const [found] = await writing.tx.select({ id: rounds.id }).from(rounds).where(where);
    if (found) await writing.update(rounds, { taken, takenAt: new Date() }, where);
    return found !== undefined;
  });
}
