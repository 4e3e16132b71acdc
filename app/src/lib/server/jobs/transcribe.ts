import { and, eq, sql } from 'drizzle-orm';
import { object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { wordedByTranscript } from '../worded.ts';
import { database } from '../database.ts';
import { pathOf } from '../files.ts';
import { refreshDeskRow } from '../pieces.ts';
import { pieceSources, sources, type Transcribing } from '../schema.ts';
import { askTranscriber, submitRecording } from '../transcriber.ts';
import type { Writing } from '../writing.ts';
import type { JobKind, NewJob } from './job.ts';

const payload = object({
  source: string().uuid().required(),
  /** Another one each time the writer asks again. */
  round: string().max(36).default('first'),
});

/** The job that has a recording transcribed. */
export const transcribeJob = (source: string, round = 'first'): NewJob => ({
  kind: 'transcribe',
  key: `transcribe ${source}`,
  payload: { source, round },
});

/** How the transcriber stands with a recording it was not asked about yet. */
export const NOT_YET: Transcribing = { state: 'working', job: null, progress: 0, says: '' };

const ASK_EVERY_MS = 1000;

/** Sends a recording to the transcriber, asks how far it is until it is done, and keeps its words. */
export const transcribe: JobKind<{ source: string; round: string }> = {
  kind: 'transcribe',
  payload,
  async work({ source: id, round }, signal) {
    const source = await waiting(id);
    if (!source) return { done: async () => {} };
    const { recording, transcribing } = source;
    const job = transcribing.job ?? (await submitRecording(pathOf(recording.digest), recording.type, `${id}/${round}`, signal));
    const said = await askTranscriber(job, signal);
    if (said.state === 'failed') throw new Complaint(said.says);
    if (said.state === 'working') {
      await noteProgress(id, { ...NOT_YET, job, progress: said.progress });
      return { again: ASK_EVERY_MS };
    }
    return { done: (writing) => change(writing, id, { ...wordedByTranscript(said), transcribing: null }) };
  },
  async onTrouble(writing, { source: id }, { says, isLast }) {
    const [row] = await writing.tx.select({ transcribing: sources.transcribing }).from(sources).where(eq(sources.id, id));
    if (!row?.transcribing) return;
    const job = isLast ? null : row.transcribing.job;
    await change(writing, id, { transcribing: { ...row.transcribing, state: isLast ? 'failed' : 'working', job, says } });
  },
};

/** A recording that waits for its words; null when it does no longer. */
async function waiting(id: string) {
  const db = await database();
  const [row] = await db
    .select({ recording: sources.recording, transcribing: sources.transcribing })
    .from(sources)
    .where(eq(sources.id, id));
  return row?.recording && row.transcribing ? { recording: row.recording, transcribing: row.transcribing } : null;
}

/** Notes how far it is; not for the journal, since it is soon past. What has ended meanwhile stays as it is. */
async function noteProgress(id: string, transcribing: Transcribing): Promise<void> {
  const db = await database();
  await db
    .update(sources)
    .set({ transcribing })
    .where(and(eq(sources.id, id), sql`${sources.transcribing}->>'state' = 'working'`));
}

async function change(writing: Writing, id: string, values: Partial<typeof sources.$inferInsert>): Promise<void> {
  await writing.update(sources, values, eq(sources.id, id));
  const fed = await writing.tx.select({ id: pieceSources.pieceId }).from(pieceSources).where(eq(pieceSources.sourceId, id));
  for (const piece of fed) await refreshDeskRow(writing, piece.id);
}
